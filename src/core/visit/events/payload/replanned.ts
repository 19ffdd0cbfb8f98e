import { z } from "zod";
import { SIDES } from "../../../eye/sides";

/** More spots than any map has. */
const MOST_SPOTS = 400;
const target = z.strictObject({
  side: z.enum(SIDES),
  layer: z.int().min(0).max(9),
  zone: z.int().min(1).max(40),
  piece: z.int().min(0).max(9),
  planned: z.int().min(0).max(400),
});

/** Lashes each spot is to end with, for so many minutes; no spots: the whole plan again. */
export const replannedPayload = () =>
  z.strictObject({ minutes: z.int().min(0).max(600).nullable(), targets: z.array(target).max(MOST_SPOTS) });
