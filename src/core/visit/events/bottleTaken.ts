import { z } from "zod";
import { eventKind } from "./kind";

/** Another bottle is worked from. */
export const bottleTaken = eventKind({
  version: 1,
  payload: z.strictObject({ bottleId: z.uuid() }),
  fold: { set: (set, { payload }) => ({ ...set, bottleId: payload.bottleId }) },
});
