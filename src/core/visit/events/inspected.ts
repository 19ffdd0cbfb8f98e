import { eventKind, type Payload } from "./kind";
import type { inspectedPayload } from "./payload/inspected";

/** A look at the lashes, the pad, the eyes; how much was amiss. The last of an eye counts. */
export const inspected = eventKind<Payload<typeof inspectedPayload>>({
  version: 1,
  fold: {
    set: (set, { id, atMs, payload: { what, side, found } }) => ({
      ...set,
      inspections: [...set.inspections.filter((one) => one.what !== what || one.side !== side), { eventId: id, what, side, found, atMs }],
    }),
  },
});
