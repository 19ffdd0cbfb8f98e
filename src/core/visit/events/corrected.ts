import { correctBottle, endBeadsBy } from "../parts/set";
import { eventKind, type Payload } from "./kind";
import type { correctedPayload } from "./payload/corrected";

/**
 * A kept visit is put right: what it says now, what stood before, and why. Nothing before it is changed, and it is taken back
 * only by another correction. Which client and which map it was stand with the visit itself, and follow there.
 */
export const corrected = eventKind<Payload<typeof correctedPayload>>({
  version: 1,
  undo: "never",
  byServer: true,
  fold: {
    head: (head, { payload }) =>
      payload.what === "begun"
        ? { ...head, startedAtMs: Date.parse(payload.at) }
        : payload.what === "finished"
          ? { ...head, finishedAtMs: Date.parse(payload.at) }
          : head,
    set: (set, { payload }) =>
      payload.what === "bottle"
        ? correctBottle(set, payload.instead, payload.bottleId)
        : payload.what === "finished"
          ? { ...set, beads: endBeadsBy(set.beads, Date.parse(payload.at)) }
          : set,
  },
});
