import { z } from "zod";
import { STOP_TAKEN_BACK } from "../../processing/stopReasons";
import { eventKind, type Payload } from "./kind";

export const stopTakenBackPayload = () => z.strictObject({ why: z.enum(STOP_TAKEN_BACK) });

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
