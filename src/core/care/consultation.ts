import { z } from "zod";
import { ALLERGY_IDS } from "./allergies";
import { CONDITION_IDS } from "./conditions";

const day = z.iso.date("A date.").nullable();

/** What a client answered, whole. A confirmation repeats the last one; it is never edited. */
export const consultationSchema = z.strictObject({
  version: z.literal(2),
  conditions: z.array(z.enum(CONDITION_IDS)).max(CONDITION_IDS.length),
  allergies: z.array(z.enum(ALLERGY_IDS)).max(ALLERGY_IDS.length),
  /** Allergies of another kind, in the client's words. */
  otherAllergies: z.string().trim().max(300, "300 characters at most."),
  /** The last eye operation; null where there was none, or none that anybody still minds. */
  operation: z
    .strictObject({
      what: z.string().trim().max(120, "120 characters at most."),
      on: day,
      /** When the surgeon's release was noted. */
      releasedOn: day,
    })
    .nullable(),
  /** A doctor's word that a removal may be done over an inflamed eye; empty where there is none. */
  doctorsWord: z.string().trim().max(300, "300 characters at most."),
  /** What was done elsewhere since the last visit here, and when; the day null where nobody knows. */
  elsewhere: z
    .array(
      z.strictObject({
        treatment: z.enum(["extensions", "removal", "lift", "tint", "lightening"]),
        part: z.enum(["lashes", "brows"]),
        on: day,
      }),
    )
    .max(8),
  /** Whether extensions are on, as the technician looked; null where nobody looked. */
  extensionsOn: z.boolean().nullable(),
  /** Hair lifted, tinted, bleached or permed before by somebody else. */
  processed: z.boolean(),
});
export type Consultation = z.infer<typeof consultationSchema>;

/** Nothing is so: what a consultation holds where every question was answered with no. */
export const NOTHING_SO: Consultation = {
  version: 2,
  conditions: [],
  allergies: [],
  otherAllergies: "",
  operation: null,
  doctorsWord: "",
  elsewhere: [],
  extensionsOn: null,
  processed: false,
};

/** A consultation of the first version as one of the second: a reaction to hair dye is an allergy, an operation has no date. */
export function upgradeConsultation(document: unknown): unknown {
  const older = document as { version?: unknown; conditions?: readonly string[]; processed?: boolean } | null;
  if (older?.version !== 1) return document;
  const named = older.conditions ?? [];
  return {
    ...NOTHING_SO,
    conditions: named.filter((id) => (CONDITION_IDS as readonly string[]).includes(id)),
    allergies: named.includes("dyeReaction") ? ["dye"] : [],
    operation: named.includes("operation") ? { what: "", on: null, releasedOn: null } : null,
    processed: older.processed ?? false,
  };
}
