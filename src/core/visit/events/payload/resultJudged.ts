import { runResultSchema } from "../../../processing/runResult";

export const resultJudgedPayload = () => runResultSchema;
