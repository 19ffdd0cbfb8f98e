import { endSpan } from "../../placing/work";
import { endBead } from "../parts/set";
import { eventKind, type Payload } from "./kind";
import type { finishedPayload } from "./payload/finished";

/** The visit is over: no bead is in use, no shake, pause or talk runs and nothing is owed any more. */
export const finished = eventKind<Payload<typeof finishedPayload>>({
  version: 1,
  fold: {
    head: (head, { atMs }) => ({ ...head, finishedAtMs: atMs }),
    set: (set, { atMs }) => ({ ...set, shake: null, checkDueSinceMs: null, beads: endBead(set.beads, atMs) }),
    placing: (placing, { atMs }) => ({ ...placing, pauses: endSpan(placing.pauses, atMs), talk: endSpan(placing.talk, atMs) }),
  },
});
