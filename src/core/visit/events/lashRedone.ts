import { eventKind, type Payload } from "./kind";
import type { lashRedonePayload } from "./payload/lashRedone";

/** Lashes taken off and set anew: counted apart, with why. Their number stays, their glue is wet again. */
export const lashRedone = eventKind<Payload<typeof lashRedonePayload>>({
  version: 1,
  fold: {
    set: (set) => (set.finish === null ? set : { ...set, finish: null }),
    placing: (placing, { atMs, payload }) => ({ ...placing, redone: [...placing.redone, { ...payload, atMs }] }),
  },
});
