"use client";
import { useTransition } from "react";
import { Button } from "@/ui";
import { answered } from "@/ui/answered";
import { toast } from "@/ui/toast";
import { archiveClient } from "./actions";

/** Archives a client, or brings them back; either is taken back from the words that tell of it. */
export function Archive({ id, archived, tone = "plain" }: { id: string; archived: boolean; tone?: "plain" | "line" }) {
  const [busy, begin] = useTransition();
  const set = async (away: boolean, again: boolean) => {
    const result = await answered(archiveClient({ id, archived: away }), "Nothing was changed.");
    if (!result.ok) return toast.stop(result.message);
    const { name, booked } = result.data;
    const words = away
      ? `${name} is archived.${booked ? ` The visit of ${booked} is still booked.` : ""}`
      : `${name} is among the clients again.`;
    toast.good(words, again ? { label: "Undo", run: () => void set(!away, false) } : undefined);
  };
  return (
    <Button tone={tone} disabled={busy} onClick={() => begin(() => set(!archived, true))}>
      {archived ? "Bring back" : "Archive"}
    </Button>
  );
}
