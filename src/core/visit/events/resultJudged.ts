import { eventKind, type Payload } from "./kind";
import type { resultJudgedPayload } from "./payload/resultJudged";

export const resultJudged = eventKind<Payload<typeof resultJudgedPayload>>({
  version: 1,
  fold: { run: (run, { atMs, payload }) => ({ ...run, result: { ...payload, atMs } }) },
});
