import { endBead, type SetWork } from "../parts/set";
import { eventKind, type Payload } from "./kind";
import type { beadPlacedPayload } from "./payload/beadPlaced";

/** A drop of adhesive put out: the bead before it is used up, and a brush-through is owed from the second on. */
export const beadPlaced = eventKind<Payload<typeof beadPlacedPayload>>({
  version: 1,
  fold: {
    set: (set, { id, atMs, payload }) => ({
      ...set,
      shake: null,
      shakenAtMs: shakeEndedMs(set.shake, atMs) ?? set.shakenAtMs,
      checkDueSinceMs: set.beads.length > 0 ? (set.checkDueSinceMs ?? atMs) : set.checkDueSinceMs,
      // Work went on after it: what was finished was not the end.
      finish: null,
      beads: [...endBead(set.beads, atMs), { eventId: id, number: set.beads.length + 1, placedAtMs: atMs, ...payload, endedAtMs: null }],
    }),
  },
});

/** Broken off sooner than this, a shake has not stirred the glue. Common practice: 15 to 20 s before a new bead. */
const SHAKE_AT_LEAST_MS = 15_000;

/** When a shake ended that a bead was put out after; null where it was hardly begun. */
function shakeEndedMs(shake: SetWork["shake"], atMs: number): number | null {
  if (!shake) return null;
  const whole = shake.durationS * 1000;
  return atMs - shake.startedAtMs < Math.min(SHAKE_AT_LEAST_MS, whole) ? null : Math.min(atMs, shake.startedAtMs + whole);
}
