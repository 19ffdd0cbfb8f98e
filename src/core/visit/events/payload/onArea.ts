import { z } from "zod";
import { AREAS } from "../../../eye/areas";

/** A step of a protocol, and of an area of the lashes or brows. */
export const stepId = z.string().min(1).max(31);
export const onArea = { stepId, area: z.enum(AREAS) };
