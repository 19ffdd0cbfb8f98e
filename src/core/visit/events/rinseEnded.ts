import { eventKind, type Payload } from "./kind";
import type { rinseEndedPayload } from "./payload/rinseEnded";

/** The rinse is over. Ended before its time it says why; null where it was not, or nobody said. */
export const rinseEnded = eventKind<Payload<typeof rinseEndedPayload>>({
  version: 2,
  /** The first version left the reason out where there was none. */
  upgrade: (payload) => ({ why: null, ...payload }),
  undo: "never",
  fold: {
    run: (run, { atMs, payload }) => (run.stop ? { ...run, stop: { ...run.stop, endedAtMs: atMs, endedEarly: payload.why } } : run),
  },
});
