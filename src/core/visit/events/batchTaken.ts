import { z } from "zod";
import { eventKind, type Payload } from "./kind";
import { stepId } from "./onArea";

export const batchTakenPayload = () => z.strictObject({ stepId, productId: z.uuid(), batchId: z.uuid() });

/** The batch that a step's ready product comes from. */
export const batchTaken = eventKind<Payload<typeof batchTakenPayload>>({
  version: 1,
  fold: { run: (run, { atMs, payload }) => ({ ...run, batches: [...run.batches, { ...payload, atMs }] }) },
});
