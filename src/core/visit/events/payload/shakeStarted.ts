import { z } from "zod";

export const shakeStartedPayload = () => z.strictObject({ durationS: z.int().min(5).max(600) });
