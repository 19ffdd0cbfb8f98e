import { eventKind, type Payload } from "./kind";
import type { stopTakenBackPayload } from "./payload/stopTakenBack";

/** The stop itself is taken back, by name: it stays on the record. */
export const stopTakenBack = eventKind<Payload<typeof stopTakenBackPayload>>({
  version: 1,
  undo: "never",
  fold: {
    run: (run, { atMs, payload }) =>
      run.stop
        ? { ...run, stop: null, stopsTakenBack: [...run.stopsTakenBack, { ...run.stop, takenBackAtMs: atMs, why: payload.why }] }
        : run,
  },
});
