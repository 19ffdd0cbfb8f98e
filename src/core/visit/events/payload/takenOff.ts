import { z } from "zod";
import { foundZone } from "./foundZone";

export const takenOffPayload = () =>
  z.strictObject({
    ...foundZone,
    n: z.int().min(1, "One at least.").max(200, "More than 200 are no one tap."),
    hurt: z.boolean(),
  });
