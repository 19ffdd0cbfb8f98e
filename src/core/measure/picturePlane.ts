import { degToRad, radToDeg } from "../units";
import type { KnownLength, Px } from "./marks";

/** From a picture's pixels to millimetres in the plane of its scale. */
export type PicturePlane = {
  readonly toMm: (p: Px) => readonly [number, number];
  readonly mmPerPx: number;
  /** How far the scale is turned on the picture, degrees. */
  readonly turnedDeg: number;
  /** How far the plane leans from the camera, degrees; null where only one length is known. */
  readonly tiltDeg: number | null;
  /** Share a length across the scale may be off by, 0..1. */
  readonly offShare: number;
};

/** A hand holds a camera over a pad as straight as this, degrees. A model of this product. */
const UNKNOWN_TILT_DEG = 15;
/** Two lengths nearer to one direction than this say nothing of the tilt, degrees. */
const LEAST_ANGLE_DEG = 35;

/**
 * Reads the scale of a picture. One known length gives turn and scale; a second one at right angles to it on the same
 * plane takes the lean out, by the affine map that makes both true: with u and w the two as seen, `M = diag(a, b)·[u w]⁻¹`.
 * (Parallel projection: a picture taken from much further away than an eye is wide.)
 * Returns words where the two lengths lie along each other.
 */
export function picturePlane(scale: KnownLength, across: KnownLength | null): PicturePlane | { readonly problem: string } {
  const seen = [scale.to[0] - scale.from[0], scale.to[1] - scale.from[1]] as const;
  // Tapped from right to left it is the same scale: millimetres run with the picture's own x and y.
  const u = seen[0] < 0 ? ([-seen[0], -seen[1]] as const) : seen;
  const lengthPx = Math.hypot(...u);
  const turnedDeg = radToDeg(Math.atan2(u[1], u[0]));
  if (!(lengthPx > 0)) return { problem: "The two ends of the scale lie on each other." };
  if (!across) {
    const k = scale.mm / lengthPx;
    const [c, s] = [u[0] / lengthPx, u[1] / lengthPx];
    return {
      toMm: ([x, y]) => [k * (c * x + s * y), k * (-s * x + c * y)],
      mmPerPx: k,
      turnedDeg,
      tiltDeg: null,
      offShare: 1 - Math.cos(degToRad(UNKNOWN_TILT_DEG)),
    };
  }
  const second = [across.to[0] - across.from[0], across.to[1] - across.from[1]] as const;
  const w = u[0] * second[1] - u[1] * second[0] < 0 ? ([-second[0], -second[1]] as const) : second;
  const determinant = u[0] * w[1] - u[1] * w[0];
  const sine = Math.abs(determinant) / (lengthPx * Math.hypot(...w));
  if (!(sine > Math.sin(degToRad(LEAST_ANGLE_DEG))))
    return { problem: "The second length runs along the first. Take one at right angles to it." };
  const [a, b] = [scale.mm, across.mm];
  const toMm = ([x, y]: Px) => [(a * (w[1] * x - w[0] * y)) / determinant, (b * (-u[1] * x + u[0] * y)) / determinant] as const;
  // The lean is how much more the plane is shortened one way than the other: the ratio of the map's singular values.
  const [m11, m12, m21, m22] = [(a * w[1]) / determinant, (-a * w[0]) / determinant, (-b * u[1]) / determinant, (b * u[0]) / determinant];
  const sum = m11 ** 2 + m12 ** 2 + m21 ** 2 + m22 ** 2;
  const area = Math.abs(m11 * m22 - m12 * m21);
  const root = Math.sqrt(Math.max(0, sum ** 2 / 4 - area ** 2));
  const ratio = Math.sqrt(Math.max(0, sum / 2 - root) / (sum / 2 + root));
  return { toMm, mmPerPx: Math.sqrt(area), turnedDeg, tiltDeg: radToDeg(Math.acos(Math.min(1, ratio))), offShare: 0.01 };
}
