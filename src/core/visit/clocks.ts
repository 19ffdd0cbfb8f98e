import { runClocks } from "../processing";
import type { Clock } from "../clock";
import type { VisitState } from "./parts";

/** A bead asks for attention this long before its end, s. */
export const BEAD_WARNING_S = 120;

/** A check owed since a bead was changed: amber at once, red after this, s. A model of this product. */
export const CHECK_RED_AFTER_S = 180;

/** Placing is over and the visit is not: eyes stay shut while it cures. */
export const isDrying = ({ head, set }: VisitState): boolean =>
  head.finishedAtMs === null && set.beads.length > 0 && set.beads.at(-1)!.endedAtMs !== null;

/** Implements lie in the disinfectant, from now on or still, until somebody takes them out. */
export const isSoaking = ({ steps: { soak } }: VisitState): boolean => soak !== null && soak.endedAtMs === null;

/** Something of a visit has a clock: it is under way, or its implements lie in the disinfectant. */
export const hasClocks = (state: VisitState): boolean =>
  (state.head.startedAtMs !== null && state.head.finishedAtMs === null) || isSoaking(state);

function soakClock({ steps: { soak } }: VisitState, nowMs: number): Clock[] {
  if (!soak || soak.endedAtMs !== null) return [];
  const leftS = soak.contactS - (nowMs - soak.startedAtMs) / 1000;
  return [
    {
      id: soak.eventId,
      kind: "soak",
      label: leftS > 0 ? "disinfectant" : "take out of the disinfectant",
      totalS: soak.contactS,
      leftS,
      state: leftS > 0 ? "running" : "done",
    },
  ];
}

/** Whether two states of a visit have the same clocks at every moment: most taps change none. */
export const haveSameClocks = (a: VisitState, b: VisitState): boolean =>
  a.head.finishedAtMs === b.head.finishedAtMs &&
  a.set.shake === b.set.shake &&
  a.set.beads === b.set.beads &&
  a.set.checkDueSinceMs === b.set.checkDueSinceMs &&
  a.steps.soak === b.steps.soak &&
  a.run === b.run;

/**
 * The clocks that hang from the top edge for a visit at a moment (ms since 1970). A finished visit has that of the disinfectant alone. When eyes
 * may open follows from the air, not from the visit's events alone: `eyesMayAtMs` is the ledger's word, if there is one.
 */
export function visitClocks(state: VisitState, nowMs: number, eyesMayAtMs: number | null = null): Clock[] {
  if (state.head.finishedAtMs !== null) return soakClock(state, nowMs);
  const clocks: Clock[] = [...runClocks(state.run, nowMs), ...soakClock(state, nowMs)];
  if (state.set.shake) {
    const leftS = state.set.shake.durationS - (nowMs - state.set.shake.startedAtMs) / 1000;
    clocks.push({
      id: state.set.shake.eventId,
      kind: "shake",
      label: leftS > 0 ? "shake" : "shaken",
      totalS: state.set.shake.durationS,
      leftS,
      state: leftS > 0 ? "running" : "done",
    });
  }
  const bead = state.set.beads.at(-1);
  if (bead && bead.endedAtMs === null) {
    const leftS = bead.lifeS - (nowMs - bead.placedAtMs) / 1000;
    clocks.push({
      id: bead.eventId,
      kind: "bead",
      label: `bead ${bead.number}`,
      totalS: bead.lifeS,
      leftS,
      state: leftS <= 0 ? "over" : leftS <= BEAD_WARNING_S ? "soon" : "running",
    });
  }
  if (state.set.checkDueSinceMs !== null) {
    const leftS = CHECK_RED_AFTER_S - (nowMs - state.set.checkDueSinceMs) / 1000;
    clocks.push({
      id: `check ${state.set.checkDueSinceMs}`,
      kind: "check",
      label: "brush, eyes shut?",
      totalS: CHECK_RED_AFTER_S,
      leftS,
      state: leftS > 0 ? "soon" : "over",
    });
  }
  if (eyesMayAtMs !== null && isDrying(state)) {
    const lastMs = state.set.beads.at(-1)!.endedAtMs!;
    const leftS = (eyesMayAtMs - nowMs) / 1000;
    clocks.push({
      id: `eyes ${lastMs}`,
      kind: "eyes",
      label: leftS > 0 ? "eyes shut" : "eyes may open",
      totalS: (eyesMayAtMs - lastMs) / 1000,
      leftS,
      state: leftS > 0 ? "running" : "done",
    });
  }
  return clocks;
}
