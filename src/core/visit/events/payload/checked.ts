import { z } from "zod";

export const checkedPayload = () =>
  z
    .strictObject({ off: z.int().min(0).max(400).nullable(), of: z.int().min(1).max(400).nullable() })
    .refine(({ off, of }) => (off === null) === (of === null) && (off ?? 0) <= (of ?? 0), "No more can come off than were placed.");
