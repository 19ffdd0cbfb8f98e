import { z } from "zod";
import { SIDES } from "../../../eye/sides";

/** Where lashes were placed, and how many at one tap. */
export const spotOf = {
  side: z.enum(SIDES),
  layer: z.int().min(0).max(9),
  zone: z.int().min(1).max(40),
  piece: z.int().min(0).max(9),
  n: z.int().min(1, "One lash at least.").max(200, "More than 200 lashes are no one tap."),
};
