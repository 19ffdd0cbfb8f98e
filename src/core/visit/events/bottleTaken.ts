import { correctBottle } from "../parts/set";
import { eventKind, type Payload } from "./kind";
import type { bottleTakenPayload } from "./payload/bottleTaken";

/** Another bottle is worked from; or one that was in use all along is written down, and beads of no bottle were its. */
export const bottleTaken = eventKind<Payload<typeof bottleTakenPayload>>({
  version: 2,
  upgrade: (older) => ({ ...older, fromStart: false }),
  fold: {
    set: (set, { payload: { bottleId, fromStart } }) => ({ ...(fromStart ? correctBottle(set, null, bottleId) : set), bottleId }),
  },
});
