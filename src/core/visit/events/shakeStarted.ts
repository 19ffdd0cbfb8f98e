import { eventKind, type Payload } from "./kind";
import type { shakeStartedPayload } from "./payload/shakeStarted";

export const shakeStarted = eventKind<Payload<typeof shakeStartedPayload>>({
  version: 1,
  fold: { set: (set, { id, atMs, payload }) => ({ ...set, shake: { eventId: id, startedAtMs: atMs, durationS: payload.durationS } }) },
});
