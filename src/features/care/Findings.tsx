import type { CareFinding } from "@/core/care";
import { Verdict } from "@/ui";

const TONES = { stop: "stop", ask: "look", note: "note" } as const;

/** Findings as they are said everywhere: stops first, each by shape, colour and word. */
export function Findings({ findings, className }: { findings: readonly CareFinding[]; className?: string }) {
  return (
    <ul className={className ?? "space-y-1"}>
      {findings.map(({ key, weight, words }) => (
        <li key={key}>
          <Verdict tone={TONES[weight]}>{words}</Verdict>
        </li>
      ))}
    </ul>
  );
}
