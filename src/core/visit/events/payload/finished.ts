import { z } from "zod";

export const finishedPayload = () => z.strictObject({});
