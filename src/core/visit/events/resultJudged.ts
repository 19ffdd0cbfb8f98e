import { runResultSchema } from "../../processing/runResult";
import { eventKind, type Payload } from "./kind";

export const resultJudgedPayload = () => runResultSchema;

export const resultJudged = eventKind<Payload<typeof resultJudgedPayload>>({
  version: 1,
  fold: { run: (run, { atMs, payload }) => ({ ...run, result: { ...payload, atMs } }) },
});
