import { eventKind, type Payload } from "./kind";
import type { checkedPayload } from "./payload/checked";

/** Brushed through and both eyes seen closed; how many came off of how many, where they were counted. */
export const checked = eventKind<Payload<typeof checkedPayload>>({
  version: 1,
  fold: {
    set: (set, { id, atMs, payload: { off, of } }) => ({
      ...set,
      checkDueSinceMs: null,
      checks: [
        ...set.checks,
        {
          eventId: id,
          atMs,
          // What is brushed at a change was placed from the bead before it.
          beadNumber: set.beads.length - (set.checkDueSinceMs === null ? 0 : 1),
          brush: off === null || of === null ? null : { off, of },
        },
      ],
    }),
  },
});
