import { z } from "zod";
import { depthSchema } from "../../processing/runPlan";
import { onCoat } from "../../processing/runState";
import { eventKind } from "./kind";
import { onArea } from "./onArea";

/** Looked at on a wiped spot: how deep the hair is by now. */
export const looked = eventKind({
  version: 1,
  payload: z.strictObject({ ...onArea, depth: depthSchema }),
  fold: {
    run: (run, { atMs, payload }) => onCoat(run, payload, (coat) => ({ ...coat, looks: [...coat.looks, { atMs, depth: payload.depth }] })),
  },
});
