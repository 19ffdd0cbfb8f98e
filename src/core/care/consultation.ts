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
