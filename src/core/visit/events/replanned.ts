import { eventKind, type Payload } from "./kind";
import type { replannedPayload } from "./payload/replanned";

/** What remains is planned again for the time there is, or as a whole. */
export const replanned = eventKind<Payload<typeof replannedPayload>>({
  version: 1,
  fold: {
    placing: (placing, { atMs, payload: { minutes, targets } }) => ({
      ...placing,
      targets: targets.length > 0 ? { minutes, atMs, spots: targets } : null,
    }),
  },
});
