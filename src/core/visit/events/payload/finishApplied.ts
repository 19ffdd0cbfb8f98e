import { z } from "zod";
import { FINISH_IDS } from "../../../adhesive/finishes";

export const finishAppliedPayload = () => z.strictObject({ method: z.enum(FINISH_IDS) });
