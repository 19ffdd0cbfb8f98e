import { z } from "zod";
import { PAUSE_REASON_IDS } from "../../../placing/choices";

export const pausedPayload = () => z.strictObject({ why: z.enum(PAUSE_REASON_IDS).nullable() });
