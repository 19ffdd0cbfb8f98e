import { eventKind, type Payload } from "./kind";
import type { finishAppliedPayload } from "./payload/finishApplied";

export const finishApplied = eventKind<Payload<typeof finishAppliedPayload>>({
  version: 1,
  fold: { set: (set, { atMs, payload }) => ({ ...set, finish: { method: payload.method, atMs } }) },
});
