import { eventKind, type Payload } from "./kind";
import type { stepDonePayload } from "./payload/stepDone";

/** A step of the checklist was done, by somebody's word. */
export const stepDone = eventKind<Payload<typeof stepDonePayload>>({
  version: 1,
  fold: {
    steps: (steps, { id, atMs, payload }) => ({ ...steps, done: [...steps.done, { stepId: payload.stepId, eventId: id, atMs }] }),
  },
});
