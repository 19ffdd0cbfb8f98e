import { endBead } from "../parts/set";
import { eventKind, type Payload } from "./kind";
import type { beadWipedPayload } from "./payload/beadWiped";

/** The bead is gone and none takes its place: the last lash is placed, or a pause begins. */
export const beadWiped = eventKind<Payload<typeof beadWipedPayload>>({
  version: 1,
  fold: { set: (set, { atMs }) => ({ ...set, beads: endBead(set.beads, atMs) }) },
});
