import { familyLabel, type PatchTestStanding } from "@/core/care";
import type { PatchFamily } from "@/core/mixing";
import type { Tone } from "@/ui";

/** A standing in words: how grave, what, and what to do. `moment` puts a moment into the studio's words. */
export function patchTestWords(
  standing: PatchTestStanding,
  family: PatchFamily,
  moment: (ms: number) => string,
): { tone: Tone; title: string; says: string } {
  const name = familyLabel(family);
  switch (standing.state) {
    case "missing":
      return { tone: "look", title: `Patch test, ${name}: none`, says: "Place one 48 hours before." };
    case "waiting":
      return {
        tone: "look",
        title: `Patch test, ${name}: being watched`,
        says: `Placed ${moment(standing.placedAtMs)}. Read it from ${moment(standing.readFromMs)}, and ask again on the day.`,
      };
    case "reaction":
      return {
        tone: "stop",
        title: `Reacted to ${name}`,
        says: `Noted ${moment(standing.atMs)}. It stands for good: no ${name} on this client, whatever is tested since.`,
      };
    case "expired":
      return { tone: "look", title: `Patch test, ${name}: run out`, says: `Good until ${moment(standing.validUntilMs)}. Needed again.` };
    case "due":
      return { tone: "look", title: `Patch test, ${name}: soon due`, says: `Clear, good until ${moment(standing.validUntilMs)}.` };
    case "valid":
      return {
        tone: "good",
        title: `Patch test, ${name}: clear`,
        says: `Good until ${moment(standing.validUntilMs)}. No promise: ask on the day.`,
      };
  }
}
