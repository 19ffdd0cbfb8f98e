import { z } from "zod";
import { PAUSE_REASON_IDS } from "../../../placing/work";

export const pausedPayload = () => z.strictObject({ why: z.enum(PAUSE_REASON_IDS).nullable() });
