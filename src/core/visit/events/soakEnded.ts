import { eventKind, type Payload } from "./kind";
import type { soakEndedPayload } from "./payload/soakEnded";

/** They are out of it, rinsed and dry. */
export const soakEnded = eventKind<Payload<typeof soakEndedPayload>>({
  version: 1,
  fold: {
    steps: (steps, { atMs }) => (steps.soak?.endedAtMs === null ? { ...steps, soak: { ...steps.soak, endedAtMs: atMs } } : steps),
  },
});
