import { z } from "zod";

export const undonePayload = () => z.strictObject({ eventId: z.uuid() });
