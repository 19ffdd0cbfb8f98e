import { z } from "zod";
import { eventKind } from "./kind";

/** Something went wrong. Taken back only by `stopTakenBack`, with a reason: no pedal and no old tablet unmakes it. */
export const runStopped = eventKind({
  version: 1,
  payload: z.strictObject({ kind: z.enum(["splash", "gluedLids"]), rinseS: z.int().min(60).max(3600) }),
  undo: "never",
  fold: {
    run: (run, { atMs, payload }) => ({
      ...run,
      stop: { ...payload, atMs: run.stop?.atMs ?? atMs, endedAtMs: null, endedEarly: null },
    }),
  },
});
