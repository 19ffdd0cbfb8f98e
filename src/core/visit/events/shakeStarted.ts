import { z } from "zod";
import { eventKind, type Payload } from "./kind";

export const shakeStartedPayload = () => z.strictObject({ durationS: z.int().min(5).max(600) });

export const shakeStarted = eventKind<Payload<typeof shakeStartedPayload>>({
  version: 1,
  fold: { set: (set, { id, atMs, payload }) => ({ ...set, shake: { eventId: id, startedAtMs: atMs, durationS: payload.durationS } }) },
});
