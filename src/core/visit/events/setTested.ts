import { z } from "zod";
import { airSchema } from "../../air";
import { eventKind, type Payload } from "./kind";

export const setTestedPayload = () => z.strictObject({ seconds: z.number().min(0.1).max(60), air: airSchema, bottleId: z.uuid() });

/** A bead or a lash timed until it set. */
export const setTested = eventKind<Payload<typeof setTestedPayload>>({
  version: 1,
  fold: { set: (set, { id, atMs, payload }) => ({ ...set, tests: [...set.tests, { eventId: id, atMs, ...payload }] }) },
});
