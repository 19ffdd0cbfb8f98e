import { normalBelow } from "../statistics";
import { naturalSurvival } from "./retention";
import { USUAL_FIGURES, type CycleFigures } from "./lashLives";

const STEPS = 200;

/**
 * Share of the lashes still there after some days whose attachment has moved out by more than so far, over random phases of
 * the cycle and the spread of growth: resting ones have not moved, those that stopped on the way moved until then. For
 * lashes that lack at least as much of their full length. `movedOutShare(21, 2.5)` → 0.13
 */
export function movedOutShare(days: number, beyondMm: number, figures: CycleFigures = USUAL_FIGURES): number {
  const { cycleDays, anagenDays, bareBelowDays, growth } = figures;
  naturalSurvival(days, bareBelowDays, cycleDays);
  // Of those still there, ages at the placing lie evenly from the youngest that was worn on to what has not been shed.
  const oldest = cycleDays - days;
  if (oldest <= bareBelowDays) return 0;
  if (!(beyondMm > 0)) return 1;
  let sum = 0;
  for (let i = 0; i < STEPS; i++) {
    const age = bareBelowDays + ((i + 0.5) / STEPS) * (oldest - bareBelowDays);
    const grew = Math.min(days, anagenDays - age);
    if (grew > 0) sum += 1 - normalBelow((beyondMm / grew - growth.mean) / growth.sd);
  }
  return sum / STEPS;
}
