import type { VisitState } from "./state";

/** A bead asks for attention this long before its end, s. */
export const BEAD_WARNING_S = 120;

/** A check owed since a bead was changed: amber at once, red after this, s. A model of this product. */
export const CHECK_RED_AFTER_S = 180;

/** A running clock, reckoned from events and the time now: nothing counts down in memory. */
export type Clock = {
  readonly id: string;
  readonly kind: "shake" | "bead" | "check";
  readonly label: string;
  readonly totalS: number;
  /** Negative once it is over: it keeps counting. */
  readonly leftS: number;
  readonly state: "running" | "soon" | "over";
};

/** The clocks that hang from the top edge for a visit at a moment (ms since 1970). A finished visit has none. */
export function visitClocks(state: VisitState, nowMs: number): Clock[] {
  if (state.finishedAtMs !== null) return [];
  const clocks: Clock[] = [];
  if (state.shake) {
    const leftS = state.shake.durationS - (nowMs - state.shake.startedAtMs) / 1000;
    clocks.push({
      id: state.shake.eventId,
      kind: "shake",
      label: leftS > 0 ? "shake" : "shaken",
      totalS: state.shake.durationS,
      leftS,
      state: leftS > 0 ? "running" : "over",
    });
  }
  const bead = state.beads.at(-1);
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
  if (state.checkDueSinceMs !== null) {
    const leftS = CHECK_RED_AFTER_S - (nowMs - state.checkDueSinceMs) / 1000;
    clocks.push({
      id: `check ${state.checkDueSinceMs}`,
      kind: "check",
      label: "brush, eyes closed?",
      totalS: CHECK_RED_AFTER_S,
      leftS,
      state: leftS > 0 ? "soon" : "over",
    });
  }
  return clocks;
}
