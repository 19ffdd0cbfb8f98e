import { z } from "zod";
import { SIDES } from "../../eye/sides";
import { eventKind, type Payload } from "./kind";

export const zonePlacedPayload = () => z.strictObject({ side: z.enum(SIDES), layer: z.int().min(0).max(9), zone: z.int().min(1).max(40) });

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
