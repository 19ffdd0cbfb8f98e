import { z } from "zod";
import { FINISH_IDS } from "../../adhesive/finishes";
import { eventKind, type Payload } from "./kind";

export const finishAppliedPayload = () => z.strictObject({ method: z.enum(FINISH_IDS) });

export const finishApplied = eventKind<Payload<typeof finishAppliedPayload>>({
  version: 1,
  fold: { set: (set, { atMs, payload }) => ({ ...set, finish: { method: payload.method, atMs } }) },
});
