import { z } from "zod";
import { SIDES } from "../../../eye/sides";

/** A zone of the set a fill found. */
export const foundZone = {
  side: z.enum(SIDES),
  layer: z.int().min(0).max(9),
  zone: z.int().min(1).max(40),
};
