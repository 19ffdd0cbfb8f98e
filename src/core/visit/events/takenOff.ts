import { eventKind, type Payload } from "./kind";
import type { takenOffPayload } from "./payload/takenOff";

/** Extensions of the set that was found, taken off before the fill; and whether the natural lash was hurt. */
export const takenOff = eventKind<Payload<typeof takenOffPayload>>({
  version: 1,
  fold: { fill: (fill, { atMs, payload }) => ({ ...fill, off: [...fill.off, { ...payload, atMs }] }) },
});
