import { z } from "zod";

export const soakStartedPayload = () => z.strictObject({ contactS: z.int().min(30).max(86_400), batchId: z.uuid().nullable() });
