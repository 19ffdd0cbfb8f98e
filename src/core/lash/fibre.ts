import { z } from "zod";
import { CURL_IDS } from "../curl/curls";

/** What the trade sells: 5 to 18 mm by whole millimetres; up to 25 for practice on a mannequin head. */
export const FIBRE_LENGTHS_MM = { shortest: 5, longestWorn: 18, longestPractice: 25 } as const;

/** Diameters an extension is sold in, mm. Common practice. */
export const FIBRE_DIAMETERS_MM = [0.03, 0.04, 0.05, 0.06, 0.07, 0.1, 0.12, 0.15, 0.18, 0.2, 0.25] as const;

/** One extension as it is placed: a single (`count` 1) or a fan of `count` fibres. */
export const fibreSchema = z.strictObject({
  lengthMm: z
    .number()
    .min(FIBRE_LENGTHS_MM.shortest, "Extensions start at 5 mm.")
    .max(FIBRE_LENGTHS_MM.longestPractice, "Extensions end at 25 mm, and that is for practice heads."),
  curl: z.enum(CURL_IDS),
  diameterMm: z.number().min(0.03, "The thinnest fibre is 0.03 mm.").max(0.25, "The thickest fibre is 0.25 mm."),
  shape: z.enum(["round", "flat"]),
  count: z.int().min(1).max(20, "A fan holds 20 fibres at most."),
});

export type Fibre = z.infer<typeof fibreSchema>;
