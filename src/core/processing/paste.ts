import { z } from "zod";
import { DOSE_UNITS } from "../mixing/dose";

const fraction = z.number().min(0).max(1);

/** A mix as it was made for one step: what went in by batch, how strong it is, how long it is good for. Grams, shares, seconds. */
export const mixedPasteSchema = z.strictObject({
  stepId: z.string().min(1).max(31),
  lines: z
    .array(
      z.strictObject({
        productId: z.uuid(),
        batchId: z.uuid("Every product of a mix needs its batch."),
        amount: z.number().positive().max(1000),
        unit: z.enum(DOSE_UNITS),
        grams: z.number().positive().max(1000),
      }),
    )
    .min(1)
    .max(8),
  peroxide: z.strictObject({ low: fraction, mid: fraction, high: fraction, known: z.boolean() }),
  lifeS: z.number().min(1).max(3600),
  leftoverG: z.number().min(0).max(1000),
  cost: z.number().min(0).max(100_000).nullable(),
});
export type MixedPaste = z.infer<typeof mixedPasteSchema>;
