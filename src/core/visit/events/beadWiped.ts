import { z } from "zod";
import { endBead } from "../parts/set";
import { eventKind } from "./kind";

/** The bead is gone and none takes its place: the last lash is placed, or a pause begins. */
export const beadWiped = eventKind({
  version: 1,
  payload: z.strictObject({}),
  fold: { set: (set, { atMs }) => ({ ...set, beads: endBead(set.beads, atMs) }) },
});
