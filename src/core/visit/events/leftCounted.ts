import { isSameZone } from "../../fill/work";
import { eventKind, type Payload } from "./kind";
import type { leftCountedPayload } from "./payload/leftCounted";

/** What is left in a zone of the set that was found, as somebody counted it. The last count of a zone stands; none at all where it is cleared. */
export const leftCounted = eventKind<Payload<typeof leftCountedPayload>>({
  version: 1,
  fold: {
    fill: (fill, { atMs, payload: { left, ...zone } }) => {
      const others = fill.counted.filter((one) => !isSameZone(one, zone));
      return { ...fill, counted: left === null ? others : [...others, { ...zone, left, atMs }] };
    },
  },
});
