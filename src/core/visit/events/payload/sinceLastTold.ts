import { z } from "zod";
import { MET_IDS, SLEPT_ON } from "../../../fill/choices";

export const sinceLastToldPayload = () =>
  z.discriminatedUnion("of", [
    z.strictObject({ of: z.literal("washesAWeek"), is: z.int().min(0).max(28, "More than four washes a day?").nullable() }),
    z.strictObject({ of: z.literal("sleepsOn"), is: z.enum(SLEPT_ON).nullable() }),
    z.strictObject({ of: z.enum(MET_IDS), is: z.boolean().nullable() }),
  ]);
