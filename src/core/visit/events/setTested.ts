import { eventKind, type Payload } from "./kind";
import type { setTestedPayload } from "./payload/setTested";

/** A bead or a lash timed until it set. */
export const setTested = eventKind<Payload<typeof setTestedPayload>>({
  version: 1,
  fold: { set: (set, { id, atMs, payload }) => ({ ...set, tests: [...set.tests, { eventId: id, atMs, ...payload }] }) },
});
