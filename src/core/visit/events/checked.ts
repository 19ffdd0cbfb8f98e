import { z } from "zod";
import { eventKind, type Payload } from "./kind";

export const checkedPayload = () =>
  z
    .strictObject({ off: z.int().min(0).max(400).nullable(), of: z.int().min(1).max(400).nullable() })
    .refine(({ off, of }) => (off === null) === (of === null) && (off ?? 0) <= (of ?? 0), "No more can come off than were placed.");

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
