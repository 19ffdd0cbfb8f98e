import { z } from "zod";
import { airSchema } from "../../../air";

export const beadPlacedPayload = () =>
  z.strictObject({ lifeS: z.int().min(60).max(3600), air: airSchema.nullable(), bottleId: z.uuid().nullable() });
