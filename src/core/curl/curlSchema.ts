import { z } from "zod";
import { CURL_IDS } from "./curls";

/** Geometry of a curl as a studio or a tray gives it. */
export const curlSchema = z.strictObject({
  turnDeg: z.number().min(0, "A turn of 0 to 200°.").max(200, "A turn of 0 to 200°."),
  baseStraightMm: z.number().min(0, "A straight base of 0 to 6 mm.").max(6, "A straight base of 0 to 6 mm."),
  turnOver: z
    .number()
    .min(0.05, "The turn takes from a twentieth to the whole of the fibre.")
    .max(1, "The turn takes the whole fibre at most."),
});

/** A studio's own geometry for some letters. */
export const curlOverridesSchema = z.partialRecord(z.enum(CURL_IDS), curlSchema);
