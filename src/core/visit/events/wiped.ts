import { z } from "zod";
import { onCoat } from "../../processing/runState";
import { eventKind } from "./kind";
import { onArea } from "./onArea";

/** All of it is off. */
export const wiped = eventKind({
  version: 1,
  payload: z.strictObject(onArea),
  fold: { run: (run, { atMs, payload }) => onCoat(run, payload, (coat) => ({ ...coat, offAtMs: atMs })) },
});
