import { z } from "zod";
import { FINISH_IDS } from "../../adhesive/finishes";
import { eventKind } from "./kind";

export const finishApplied = eventKind({
  version: 1,
  payload: z.strictObject({ method: z.enum(FINISH_IDS) }),
  fold: { set: (set, { atMs, payload }) => ({ ...set, finish: { method: payload.method, atMs } }) },
});
