import { z } from "zod";
import { CURL_IDS } from "../curl/curls";
import { FIBRE_COLOUR_IDS } from "./colours";
import { FAN_OPENING_IDS } from "./fans";
import { FIBRE_LENGTHS_MM } from "./sizes";

const MOST_FIBRES = 20;

/** One extension as it is placed: a single (`count` 1) or a fan of `count` fibres, or of `count` to `countTo`. */
export const fibreSchema = z.strictObject({
  lengthMm: z
    .number()
    .min(FIBRE_LENGTHS_MM.shortest, "Extensions start at 5 mm.")
    .max(FIBRE_LENGTHS_MM.longestPractice, "Extensions end at 25 mm, and that is for practice heads."),
  curl: z.enum(CURL_IDS),
  diameterMm: z.number().min(0.03, "The thinnest fibre is 0.03 mm.").max(0.25, "The thickest fibre is 0.25 mm."),
  shape: z.enum(["round", "flat"]),
  count: z.int().min(1).max(MOST_FIBRES, "A fan holds 20 fibres at most."),
  /** Fans mixed freely, as 3-5D: the most fibres a fan has. Absent where all are alike. */
  countTo: z.int().min(2).max(MOST_FIBRES, "A fan holds 20 fibres at most.").optional(),
  /** How far a fan is opened; absent is the usual. */
  opening: z.enum(FAN_OPENING_IDS).optional(),
  /** Absent is black. */
  colour: z.enum(FIBRE_COLOUR_IDS).optional(),
});

export type Fibre = z.infer<typeof fibreSchema>;
/** What the mechanics of a fibre need to know. */
export type FibreBody = Pick<Fibre, "lengthMm" | "diameterMm" | "shape" | "count">;
