import { z } from "zod";
import { stepId } from "./onArea";

export const batchTakenPayload = () => z.strictObject({ stepId, productId: z.uuid(), batchId: z.uuid() });
