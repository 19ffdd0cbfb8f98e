import { z } from "zod";
import { eventKind } from "./kind";
import { stepId } from "./onArea";

/** The batch that a step's ready product comes from. */
export const batchTaken = eventKind({
  version: 1,
  payload: z.strictObject({ stepId, productId: z.uuid(), batchId: z.uuid() }),
  fold: { run: (run, { atMs, payload }) => ({ ...run, batches: [...run.batches, { ...payload, atMs }] }) },
});
