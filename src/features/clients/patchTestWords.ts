import type { PatchFamily } from "@/core/mixing";
import type { PatchTestStanding } from "@/core/visit";
import type { Tone } from "@/ui";

/** An ISO date in words. */
export const dayWords = (iso: string) =>
  new Date(`${iso}T12:00:00Z`).toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });

/** A standing in words: how grave, what, and what to do. */
export function patchTestWords(standing: PatchTestStanding & { readonly family?: PatchFamily }): {
  tone: Tone;
  title: string;
  says: string;
} {
  const name = standing.family === "lotion" ? "lift lotion" : (standing.family ?? "adhesive");
  switch (standing.state) {
    case "missing":
      return {
        tone: "look",
        title: `Patch test, ${name}: none`,
        says:
          name === "adhesive"
            ? "Place one 24 to 48 hours before the first set. Worn before without trouble? Write down why none was needed."
            : "Place one 24 to 48 hours before.",
      };
    case "waiting":
      return {
        tone: "look",
        title: `Patch test, ${name}: being watched`,
        says: `Placed on ${dayWords(standing.placedOn)}. Read it after 24 to 48 hours.`,
      };
    case "reaction":
      return { tone: "stop", title: `Reacted to ${name}`, says: `Noted on ${dayWords(standing.placedOn)}. No ${name} on this client.` };
    case "expired":
      return {
        tone: "look",
        title: `Patch test, ${name}: run out`,
        says: `Good until ${dayWords(standing.validUntil)}. Needed again before the next ${name === "adhesive" ? "set" : "visit"}.`,
      };
    case "due":
      return { tone: "look", title: `Patch test, ${name}: soon due`, says: `Clear, good until ${dayWords(standing.validUntil)}.` };
    case "valid":
      return { tone: "good", title: `Patch test, ${name}: clear`, says: `Good until ${dayWords(standing.validUntil)}.` };
  }
}
