import { z } from "zod";

/** A step of the visit's checklist, by its id there. */
export const stepDonePayload = () => z.strictObject({ stepId: z.string().regex(/^[a-z][a-zA-Z0-9-]{0,40}$/) });
