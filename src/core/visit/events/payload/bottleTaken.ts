import { z } from "zod";

/** `fromStart`: it was in use all along and is only written down now. */
export const bottleTakenPayload = () => z.strictObject({ bottleId: z.uuid(), fromStart: z.boolean() });
