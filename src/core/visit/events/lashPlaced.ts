import { endSpan } from "../../placing/work";
import { eventKind, type Payload } from "./kind";
import type { lashPlacedPayload } from "./payload/lashPlaced";

/** A lash of a zone is placed, or several at one tap: the rest of it. Work goes on, so a pause is over and what was finished was not the end. */
export const lashPlaced = eventKind<Payload<typeof lashPlacedPayload>>({
  version: 1,
  fold: {
    set: (set) => (set.finish === null ? set : { ...set, finish: null }),
    placing: (placing, { atMs, payload }) => ({
      ...placing,
      pauses: endSpan(placing.pauses, atMs),
      lashes: [...placing.lashes, { ...payload, atMs }],
    }),
  },
});
