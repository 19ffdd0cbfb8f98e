import { eventKind, type Payload } from "./kind";
import type { soakStartedPayload } from "./payload/soakStarted";

/** Implements lie in the disinfectant; its contact time runs. */
export const soakStarted = eventKind<Payload<typeof soakStartedPayload>>({
  version: 1,
  fold: {
    steps: (steps, { id, atMs, payload: { contactS, batchId } }) => ({
      ...steps,
      soak: { eventId: id, startedAtMs: atMs, contactS, batchId, endedAtMs: null },
    }),
  },
});
