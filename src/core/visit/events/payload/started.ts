import { z } from "zod";
import { airSchema } from "../../../air";

export const startedPayload = () => z.strictObject({ bottleId: z.uuid().nullable(), air: airSchema.nullable() });
