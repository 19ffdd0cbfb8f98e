import { z } from "zod";
import { airSchema } from "../../air";
import { eventKind } from "./kind";

/** A bead or a lash timed until it set. */
export const setTested = eventKind({
  version: 1,
  payload: z.strictObject({ seconds: z.number().min(0.1).max(60), air: airSchema, bottleId: z.uuid() }),
  fold: { set: (set, { id, atMs, payload }) => ({ ...set, tests: [...set.tests, { eventId: id, atMs, ...payload }] }) },
});
