import { z } from "zod";
import { SIDES } from "../../../eye/sides";
import { TAPE_IDS } from "../../../placing/choices";

export const tapedPayload = () => z.strictObject({ what: z.enum(TAPE_IDS), side: z.enum(SIDES), on: z.boolean() });
