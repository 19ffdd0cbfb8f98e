import { z } from "zod";
import { STOP_TAKEN_BACK } from "../../../processing/stopReasons";

export const stopTakenBackPayload = () => z.strictObject({ why: z.enum(STOP_TAKEN_BACK) });
