import { z } from "zod";

export const soakEndedPayload = () => z.strictObject({});
