import { liftAndReach, type Curl } from "../curl";
import { FIBRE_LENGTHS_MM } from "./sizes";

/**
 * The shortest length of a curl that lifts its tip this far above the base on a lash of this growth angle, mm; null where
 * no worn length does. What "compare at equal lift" reads. `lengthForLift(CURLS.C, 6.8, 0)` → 12.0
 */
export function lengthForLift(curl: Curl, liftMm: number, angleDeg: number): number | null {
  const { shortest, longestWorn } = FIBRE_LENGTHS_MM;
  const lift = (mm: number) => liftAndReach(curl, mm, angleDeg).liftMm;
  // Lift need not grow with length on a strong curl: the first step that reaches it is halved down to the place.
  const STEP = 0.25;
  if (lift(shortest) >= liftMm) return shortest;
  for (let high = shortest + STEP; high <= longestWorn + 1e-9; high += STEP) {
    if (lift(high) < liftMm) continue;
    let low = high - STEP;
    for (let i = 0; i < 30; i++) {
      const middle = (low + high) / 2;
      if (lift(middle) < liftMm) low = middle;
      else high = middle;
    }
    return high;
  }
  return null;
}
