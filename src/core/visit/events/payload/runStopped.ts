import { z } from "zod";

export const runStoppedPayload = () => z.strictObject({ kind: z.enum(["splash", "gluedLids"]), rinseS: z.int().min(60).max(3600) });
