import { z } from "zod";
import { RINSE_ENDED_EARLY } from "../../../processing/stopReasons";

export const rinseEndedPayload = () => z.strictObject({ why: z.enum(RINSE_ENDED_EARLY).nullable() });
