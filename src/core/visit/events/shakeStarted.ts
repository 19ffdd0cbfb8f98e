import { z } from "zod";
import { eventKind } from "./kind";

export const shakeStarted = eventKind({
  version: 1,
  payload: z.strictObject({ durationS: z.int().min(5).max(600) }),
  fold: { set: (set, { id, atMs, payload }) => ({ ...set, shake: { eventId: id, startedAtMs: atMs, durationS: payload.durationS } }) },
});
