import { z } from "zod";
import { eventKind } from "./kind";
import { stepId } from "./onArea";

/** An untimed step seen to be done. */
export const taskDone = eventKind({
  version: 1,
  payload: z.strictObject({ stepId }),
  fold: { run: (run, { atMs, payload }) => ({ ...run, tasks: new Map([...run.tasks, [payload.stepId, atMs]]) }) },
});
