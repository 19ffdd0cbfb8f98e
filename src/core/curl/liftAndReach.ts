import { degToRad } from "../units";
import type { Curl } from "./curls";
import { curlSegments } from "./curlSegments";

/**
 * How far the tip stands above its base (lift) and before it (reach), mm, for a growth angle in degrees.
 * `lift = ∫ sin θ ds`, `reach = ∫ cos θ ds`, `θ(s) = α + ∫κ`, exact on each arc.
 * `liftAndReach(CURLS.C, 12, 0).liftMm` → 6.80
 */
export function liftAndReach(curl: Curl, lengthMm: number, angleDeg: number): { liftMm: number; reachMm: number } {
  let theta = degToRad(angleDeg);
  let liftMm = 0;
  let reachMm = 0;
  for (const { lengthMm: s, curvaturePerMm: k } of curlSegments(curl, lengthMm)) {
    if (k === 0) {
      liftMm += s * Math.sin(theta);
      reachMm += s * Math.cos(theta);
    } else {
      const next = theta + k * s;
      liftMm += (Math.cos(theta) - Math.cos(next)) / k;
      reachMm += (Math.sin(next) - Math.sin(theta)) / k;
      theta = next;
    }
  }
  return { liftMm, reachMm };
}
