import { z } from "zod";
import { onCoat } from "../../processing/runState";
import { eventKind } from "./kind";
import { onArea } from "./onArea";

/** What lies on is given longer. */
export const extended = eventKind({
  version: 1,
  payload: z.strictObject({ ...onArea, byS: z.int().min(15).max(600) }),
  fold: { run: (run, { payload }) => onCoat(run, payload, (coat) => ({ ...coat, extraS: coat.extraS + payload.byS })) },
});
