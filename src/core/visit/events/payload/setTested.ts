import { z } from "zod";
import { airSchema } from "../../../air";

export const setTestedPayload = () => z.strictObject({ seconds: z.number().min(0.1).max(60), air: airSchema, bottleId: z.uuid() });
