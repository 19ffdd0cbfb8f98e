import { z } from "zod";
import { endBead } from "../parts/set";
import { eventKind } from "./kind";

/** The visit is over: no bead is in use, no shake runs and nothing is owed any more. */
export const finished = eventKind({
  version: 1,
  payload: z.strictObject({}),
  fold: {
    head: (head, { atMs }) => ({ ...head, finishedAtMs: atMs }),
    set: (set, { atMs }) => ({ ...set, shake: null, checkDueSinceMs: null, beads: endBead(set.beads, atMs) }),
  },
});
