import { openSpan } from "../placing/work";
import type { VisitState } from "./parts";

/** What the pedal does next at a set; `waits` is nothing yet. */
export type NextTap = "takeOff" | "shake" | "bead" | "lash" | "resume" | "end" | "finish" | "done" | "waits";

/**
 * What Space and the pedal mean at a set under way, whatever was touched before: the next thing in the order of work.
 * `isAllPlaced` is of the plan, `mayFinish` of the usual finish's own wait, `mayOpen` of the cure.
 */
export function nextTap(
  { set, placing }: VisitState,
  now: {
    readonly ms: number;
    /** Extensions of the set before that are still to come off. */
    readonly toTakeOff: number;
    readonly isAllPlaced: boolean;
    readonly isEnding: boolean;
    readonly mayFinish: boolean;
    readonly mayOpen: boolean;
  },
): NextTap {
  if (now.isEnding) {
    if (set.finish === null) return now.mayFinish ? "finish" : "waits";
    return now.mayOpen ? "done" : "waits";
  }
  if (openSpan(placing.pauses)) return "resume";
  const bead = set.beads.at(-1);
  if (bead && bead.endedAtMs === null) return now.isAllPlaced ? "end" : "lash";
  // Taken off before anything is placed; a shake begun by hand says that it is enough.
  if (!set.shake && !bead && now.toTakeOff > 0) return "takeOff";
  // A bead is put out once it is shaken: a pedal pressed twice does not break the shake off.
  if (set.shake) return now.ms - set.shake.startedAtMs >= set.shake.durationS * 1000 ? "bead" : "waits";
  return bead ? "bead" : "shake";
}
