import { z } from "zod";
import { CONDITION_IDS } from "./conditions";

/** What a client answered, on a day. Newest counts. */
export const consultationSchema = z.strictObject({
  version: z.literal(1),
  conditions: z.array(z.enum(CONDITION_IDS)).max(CONDITION_IDS.length),
  /** Hair lifted, tinted, bleached or permed before by somebody else. */
  processed: z.boolean(),
});
export type Consultation = z.infer<typeof consultationSchema>;
