import { z } from "zod";

export const bottleTakenPayload = () => z.strictObject({ bottleId: z.uuid() });
