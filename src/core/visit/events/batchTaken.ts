import { eventKind, type Payload } from "./kind";
import type { batchTakenPayload } from "./payload/batchTaken";

/** The batch that a step's ready product comes from. */
export const batchTaken = eventKind<Payload<typeof batchTakenPayload>>({
  version: 1,
  fold: { run: (run, { atMs, payload }) => ({ ...run, batches: [...run.batches, { ...payload, atMs }] }) },
});
