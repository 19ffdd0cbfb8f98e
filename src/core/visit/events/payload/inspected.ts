import { z } from "zod";
import { SIDES } from "../../../eye/sides";
import { INSPECTION_IDS, inspectionOf } from "../../../placing/inspections";

/** `found` counts what was amiss: 0 is good. What is answered by yes or no is 0 or 1. */
export const inspectedPayload = () =>
  z
    .strictObject({ what: z.enum(INSPECTION_IDS), side: z.enum(SIDES).nullable(), found: z.int().min(0).max(200) })
    .refine(
      ({ what, side }) => (inspectionOf(what).each === "eye") === (side !== null),
      "An eye where each is looked at, none where both are.",
    )
    .refine(({ what, found }) => !inspectionOf(what).isYesNo || found <= 1, "Yes or no.");
