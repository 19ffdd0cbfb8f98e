import { z } from "zod";

export const resumedPayload = () => z.strictObject({});
