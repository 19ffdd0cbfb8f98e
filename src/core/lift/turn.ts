import { radToDeg } from "../units";

/** Free root between lid and shield, mm. A model of this product. */
export const FREE_ROOT_MM = 1;
/** Kept turn under which little shows, and over which tips fold back to the lid, degrees. A model of this product. */
export const LITTLE_SHOWS_DEG = 45;
export const FOLDS_BACK_DEG = 150;

/** Turn of a lash lying on a shield, degrees: `θ = (L − b)/r`, none where it is no longer than its free root. `rawTurnDeg(9, 4)` → 115 */
export function rawTurnDeg(lengthMm: number, radiusMm: number, freeRootMm = FREE_ROOT_MM): number {
  return radToDeg(Math.max(0, lengthMm - freeRootMm) / radiusMm);
}

export type TurnVerdict = "little" | "good" | "foldsBack";

/** What a kept turn looks like. */
export function judgeTurn(keptDeg: number): TurnVerdict {
  return keptDeg < LITTLE_SHOWS_DEG ? "little" : keptDeg > FOLDS_BACK_DEG ? "foldsBack" : "good";
}
