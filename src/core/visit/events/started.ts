import { eventKind, type Payload } from "./kind";
import type { startedPayload } from "./payload/started";

/** The visit begins. Not taken back from the pedal: that would unmake the visit, not a slip. */
export const started = eventKind<Payload<typeof startedPayload>>({
  version: 1,
  undo: "notByPedal",
  fold: {
    head: (head, { atMs, payload }) => ({ ...head, startedAtMs: head.startedAtMs ?? atMs, startAir: payload.air }),
    set: (set, { payload }) => ({ ...set, bottleId: payload.bottleId }),
  },
});
