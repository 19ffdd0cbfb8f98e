import { runResultSchema } from "../../processing/runResult";
import { eventKind } from "./kind";

export const resultJudged = eventKind({
  version: 1,
  payload: runResultSchema,
  fold: { run: (run, { atMs, payload }) => ({ ...run, result: { ...payload, atMs } }) },
});
