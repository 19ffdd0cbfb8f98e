import { z } from "zod";
import { REDO_REASON_IDS } from "../../../placing/choices";
import { spotOf } from "./spot";

export const lashRedonePayload = () => z.strictObject({ ...spotOf, why: z.enum(REDO_REASON_IDS) });
