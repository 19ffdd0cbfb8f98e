import { degToRad } from "../units";
import type { Point2 } from "./shapes";

/** How deep the closed lash line hangs below its chord, as the angle of its arc. A drawing convention of this product. */
const ARC_DEG = 64;

/**
 * A closed eye laid flat, mm: x from the middle of the lash line outwards, y downwards on the face, the way the lashes lie
 * on the pad. Its arc is exactly the surveyed lash line.
 */
export type ClosedEye = {
  readonly lashLineMm: number;
  readonly radiusMm: number;
  readonly arcRad: number;
  /** A place of the lash line, 0 inner .. 1 outer, and a distance out over the pad (under 0: on the lid). */
  readonly point: (at: number, outMm: number) => Point2;
  readonly run: (from: number, to: number, outMm: number, steps: number) => Point2[];
};

export function closedEye({ lashLineMm }: { readonly lashLineMm: number }): ClosedEye {
  const arcRad = degToRad(ARC_DEG);
  const radiusMm = lashLineMm / arcRad;
  const point = (at: number, outMm: number): Point2 => {
    const angle = (at - 0.5) * arcRad;
    const r = radiusMm + outMm;
    return [Math.sin(angle) * r, Math.cos(angle) * r - radiusMm];
  };
  return {
    lashLineMm,
    radiusMm,
    arcRad,
    point,
    run: (from, to, outMm, steps) => Array.from({ length: steps + 1 }, (_, i) => point(from + ((to - from) * i) / steps, outMm)),
  };
}
