import { z } from "zod";
import { eventKind, type Payload } from "./kind";

export const runStoppedPayload = () => z.strictObject({ kind: z.enum(["splash", "gluedLids"]), rinseS: z.int().min(60).max(3600) });

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
