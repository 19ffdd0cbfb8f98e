import { interpolateMonotone } from "./interpolate";
import type { EyeSurvey } from "./survey";

/** Where nobody looked: degrees off straight ahead a lash leaves by at the inner corner, the pupil and the outer corner. A model of this product. */
export const USUAL_SPLAY_DEG = { inner: -28, pupil: 0, outer: 45 } as const;

/**
 * The splay of the lashes along the line (0 inner .. 1 outer), degrees off straight ahead, outwards above 0. At a place
 * that was asked it is what was seen; unasked places are as usual, and between places it runs smoothly.
 */
export function azimuthAt(eye: Pick<EyeSurvey, "points" | "landmarks">): (at: number) => number {
  const usual = interpolateMonotone([0, eye.landmarks.pupil, 1], [USUAL_SPLAY_DEG.inner, USUAL_SPLAY_DEG.pupil, USUAL_SPLAY_DEG.outer]);
  if (eye.points.every(({ splayDeg }) => splayDeg === undefined)) return usual;
  const off = interpolateMonotone(
    eye.points.map(({ at }) => at),
    eye.points.map(({ at, splayDeg }) => (splayDeg === undefined ? 0 : splayDeg - usual(at))),
  );
  return (at) => usual(at) + off(at);
}
