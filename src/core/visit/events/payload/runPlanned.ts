import { z } from "zod";
import { airSchema } from "../../../air/schema";
import { runPlanSchema } from "../../../processing/runPlan";

export const runPlannedPayload = () => z.strictObject({ plan: runPlanSchema, air: airSchema.nullable() });
