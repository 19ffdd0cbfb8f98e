import { z } from "zod";
import { endBead } from "../parts/set";
import { eventKind, type Payload } from "./kind";

export const finishedPayload = () => z.strictObject({});

/** The visit is over: no bead is in use, no shake runs and nothing is owed any more. */
export const finished = eventKind<Payload<typeof finishedPayload>>({
  version: 1,
  fold: {
    head: (head, { atMs }) => ({ ...head, finishedAtMs: atMs }),
    set: (set, { atMs }) => ({ ...set, shake: null, checkDueSinceMs: null, beads: endBead(set.beads, atMs) }),
  },
});
