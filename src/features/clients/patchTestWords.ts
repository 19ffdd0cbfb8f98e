import type { PatchTestStanding } from "@/core/visit";
import type { Tone } from "@/ui";

/** An ISO date in words. */
export const dayWords = (iso: string) =>
  new Date(`${iso}T12:00:00Z`).toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });

/** A standing in words: how grave, what, and what to do. */
export function patchTestWords(standing: PatchTestStanding): { tone: Tone; title: string; says: string } {
  switch (standing.state) {
    case "missing":
      return {
        tone: "look",
        title: "Patch test, adhesive: none",
        says: "Place one 24 to 48 hours before the first set. Worn before without trouble? Write down why none was needed.",
      };
    case "waiting":
      return {
        tone: "look",
        title: "Patch test, adhesive: being watched",
        says: `Placed on ${dayWords(standing.placedOn)}. Read it after 24 to 48 hours.`,
      };
    case "reaction":
      return { tone: "stop", title: "Reacted to adhesive", says: `Noted on ${dayWords(standing.placedOn)}. No adhesive on this client.` };
    case "expired":
      return {
        tone: "look",
        title: "Patch test, adhesive: run out",
        says: `Good until ${dayWords(standing.validUntil)}. Needed again before the next set.`,
      };
    case "due":
      return { tone: "look", title: "Patch test, adhesive: soon due", says: `Clear, good until ${dayWords(standing.validUntil)}.` };
    case "valid":
      return { tone: "good", title: "Patch test, adhesive: clear", says: `Good until ${dayWords(standing.validUntil)}.` };
  }
}
