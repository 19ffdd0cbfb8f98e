import { eventKind, type Payload } from "./kind";
import type { bottleTakenPayload } from "./payload/bottleTaken";

/** Another bottle is worked from. */
export const bottleTaken = eventKind<Payload<typeof bottleTakenPayload>>({
  version: 1,
  fold: { set: (set, { payload }) => ({ ...set, bottleId: payload.bottleId }) },
});
