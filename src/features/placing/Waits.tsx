"use client";
import { useWaitingWords } from "@/features/tablet/useWaitingWords";
import { Verdict } from "@/ui";

/** What waits for the server, where it waits; it comes and goes by itself. */
export function Waits() {
  const waits = useWaitingWords();
  if (!waits) return null;
  return (
    <span data-testid="bed-waits">
      <Verdict tone={waits.isCutOff ? "look" : "note"}>{waits.words}</Verdict>
    </span>
  );
}
