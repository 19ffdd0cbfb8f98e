import { z } from "zod";

export const talkMarkedPayload = () => z.strictObject({ on: z.boolean() });
