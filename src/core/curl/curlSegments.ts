import { degToRad } from "../units";
import type { Curl } from "./curls";

/** A stretch of constant curvature: κ in 1/mm, 0 for straight. */
export type ArcSegment = { readonly lengthMm: number; readonly curvaturePerMm: number };

/**
 * A fibre as stretches of constant curvature, base to tip.
 * `curlSegments(CURLS.L, 12)` → 3 mm straight, 2.4 mm turning 88°, 6.6 mm straight
 */
export function curlSegments(curl: Curl, lengthMm: number): ArcSegment[] {
  const base = Math.min(curl.baseStraightMm, lengthMm);
  const left = lengthMm - base;
  const turn = Math.min(left, curl.turnOver >= 1 ? left : curl.turnOver * lengthMm);
  const segments: ArcSegment[] = [
    { lengthMm: base, curvaturePerMm: 0 },
    { lengthMm: turn, curvaturePerMm: turn > 0 ? degToRad(curl.turnDeg) / turn : 0 },
    { lengthMm: left - turn, curvaturePerMm: 0 },
  ];
  return segments.filter((segment) => segment.lengthMm > 1e-9);
}
