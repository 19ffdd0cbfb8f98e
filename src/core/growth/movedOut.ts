import { normalBelow } from "../statistics";
import { USUAL_FIGURES, type CycleFigures } from "./lashLives";
import { naturalSurvival } from "./retention";

/** An attachment so far beyond where it was set is outgrown, mm. A model of this product. */
export const OUTGROWN_MM = 2.5;
const STEPS = 200;

/** Share of lashes that grow for so long whose attachment is then further out than that, by the spread of growth. */
const grownBeyond = (days: number, beyondMm: number, { growth }: Pick<CycleFigures, "growth">): number =>
  days > 0 ? 1 - normalBelow((beyondMm / days - growth.mean) / growth.sd) : 0;

/** Share of the lashes that have grown all the while whose attachment is outgrown by then: 12 % at 14 days, 35 % at 18, half at 21. */
export const outgrownShare = (days: number, figures: Pick<CycleFigures, "growth"> = USUAL_FIGURES): number =>
  grownBeyond(days, OUTGROWN_MM, figures);

/**
 * Share of the lashes still there after some days whose attachment has moved out by more than so far, over random phases of
 * the cycle and the spread of growth: resting ones have not moved, those that stopped on the way moved until then.
 * Where only so many can move so far, `lackingShare` of the lashes worn, they are the youngest.
 * `movedOutShare(21, 2.5)` → 0.13
 */
export function movedOutShare(days: number, beyondMm: number, figures: CycleFigures = USUAL_FIGURES, lackingShare = 1): number {
  const { cycleDays, anagenDays, bareBelowDays } = figures;
  // Refuses a cycle that cannot be.
  const natural = naturalSurvival(days, bareBelowDays, cycleDays);
  if (!(beyondMm > 0)) return 1;
  // Nothing should be there of one that is over.
  if (natural === 0) return 0;
  // Of those still there, ages at the placing lie evenly from the youngest that was worn on to what has not been shed.
  const ages = cycleDays - days - bareBelowDays;
  const lacking = Math.min(1, (lackingShare * (cycleDays - bareBelowDays)) / ages);
  let sum = 0;
  for (let i = 0; i < STEPS; i++) {
    const age = bareBelowDays + ((i + 0.5) / STEPS) * lacking * ages;
    sum += grownBeyond(Math.min(days, anagenDays - age), beyondMm, figures);
  }
  return (lacking * sum) / STEPS;
}
