import { z } from "zod";

export const beadWipedPayload = () => z.strictObject({});
