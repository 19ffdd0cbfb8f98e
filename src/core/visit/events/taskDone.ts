import { eventKind, type Payload } from "./kind";
import type { taskDonePayload } from "./payload/taskDone";

/** An untimed step seen to be done. */
export const taskDone = eventKind<Payload<typeof taskDonePayload>>({
  version: 1,
  fold: { run: (run, { atMs, payload }) => ({ ...run, tasks: new Map([...run.tasks, [payload.stepId, atMs]]) }) },
});
