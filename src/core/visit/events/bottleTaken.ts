import { z } from "zod";
import { eventKind, type Payload } from "./kind";

export const bottleTakenPayload = () => z.strictObject({ bottleId: z.uuid() });

/** Another bottle is worked from. */
export const bottleTaken = eventKind<Payload<typeof bottleTakenPayload>>({
  version: 1,
  fold: { set: (set, { payload }) => ({ ...set, bottleId: payload.bottleId }) },
});
