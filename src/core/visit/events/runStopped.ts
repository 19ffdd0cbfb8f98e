import { eventKind, type Payload } from "./kind";
import type { runStoppedPayload } from "./payload/runStopped";

/** Something went wrong. Taken back only by `stopTakenBack`, with a reason: no pedal and no old tablet unmakes it. */
export const runStopped = eventKind<Payload<typeof runStoppedPayload>>({
  version: 1,
  undo: "never",
  fold: {
    run: (run, { atMs, payload }) => ({
      ...run,
      stop: { ...payload, atMs: run.stop?.atMs ?? atMs, endedAtMs: null, endedEarly: null },
    }),
  },
});
