import { eventKind, type Payload } from "./kind";
import type { zonePlacedPayload } from "./payload/zonePlaced";

/** A zone of a layer is done: zones count from 1 at the inner corner. Done again, it counts from then. */
export const zonePlaced = eventKind<Payload<typeof zonePlacedPayload>>({
  version: 1,
  fold: {
    set: (set, { id, atMs, payload: { side, layer, zone } }) => ({
      ...set,
      finish: null,
      zones: [
        ...set.zones.filter((one) => one.side !== side || one.layer !== layer || one.zone !== zone),
        { eventId: id, side, layer, zone, atMs },
      ],
    }),
  },
});
