import { z } from "zod";
import { STOP_TAKEN_BACK } from "../../processing/stopReasons";
import { eventKind } from "./kind";

/** The stop itself is taken back, by name: it stays on the record. */
export const stopTakenBack = eventKind({
  version: 1,
  payload: z.strictObject({ why: z.enum(STOP_TAKEN_BACK) }),
  undo: "never",
  fold: {
    run: (run, { atMs, payload }) =>
      run.stop
        ? { ...run, stop: null, stopsTakenBack: [...run.stopsTakenBack, { ...run.stop, takenBackAtMs: atMs, why: payload.why }] }
        : run,
  },
});
