import { z } from "zod";
import { CURL_IDS } from "../curl/curls";
import { FIBRE_LENGTHS_MM } from "./sizes";

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
