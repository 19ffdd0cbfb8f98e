import { degToRad } from "../units";
import type { ArcSegment } from "./curlSegments";

/** A point of a fibre in its own plane, mm: before the lid, and above it. */
export type PathPoint = { readonly reachMm: number; readonly liftMm: number };

/**
 * The drawn shape of a fibre: `steps + 1` points at equal arc length, base first, starting at 0, 0.
 * Follows the arcs exactly at each point, so the last point agrees with `liftAndReach`.
 */
export function curlPath(segments: readonly ArcSegment[], angleDeg: number, steps = 10): PathPoint[] {
  const total = segments.reduce((sum, segment) => sum + segment.lengthMm, 0);
  const points: PathPoint[] = [{ reachMm: 0, liftMm: 0 }];
  let theta = degToRad(angleDeg);
  let reachMm = 0;
  let liftMm = 0;
  let index = 0;
  let leftInSegment = segments[0]?.lengthMm ?? 0;
  for (let step = 0; step < steps; step++) {
    let toGo = total / steps;
    while (toGo > 1e-12 && index < segments.length) {
      const k = segments[index]?.curvaturePerMm ?? 0;
      const s = Math.min(toGo, leftInSegment);
      const next = theta + k * s;
      if (k === 0) {
        reachMm += s * Math.cos(theta);
        liftMm += s * Math.sin(theta);
      } else {
        reachMm += (Math.sin(next) - Math.sin(theta)) / k;
        liftMm += (Math.cos(theta) - Math.cos(next)) / k;
      }
      theta = next;
      toGo -= s;
      leftInSegment -= s;
      if (leftInSegment <= 1e-12) {
        index += 1;
        leftInSegment = segments[index]?.lengthMm ?? 0;
      }
    }
    points.push({ reachMm, liftMm });
  }
  return points;
}
