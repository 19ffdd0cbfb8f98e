import { z } from "zod";
import { DOSE_UNITS } from "./dose";

const amount = z.number().positive("More than nothing.").max(100, "100 at most.");
const shares = z
  .array(z.strictObject({ productId: z.uuid(), parts: z.number().positive("Parts are more than nothing.").max(20, "20 parts at most.") }))
  .max(4, "Four at most.");

/**
 * What is mixed for a full pair of lashes of usual density: colour (or lightener) in parts, developer in parts, and how
 * much of each. Scaled to areas and hair by `mixFor`.
 */
export const recipeSchema = z.strictObject({
  colours: shares.min(1, "A mix needs a colour or a lightener."),
  colourAmount: amount,
  colourUnit: z.enum(DOSE_UNITS),
  developers: shares,
  developerAmount: amount,
  developerUnit: z.enum(DOSE_UNITS),
});
export type Recipe = z.infer<typeof recipeSchema>;
