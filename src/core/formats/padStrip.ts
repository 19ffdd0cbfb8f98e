import { type Side, type Survey } from "../eye";
import { baseLayer, eyesInView, innerCornerOnRight, type LashMap, type View } from "../map";

/** Papers it prints on, mm. */
export const PAPERS = {
  a4: { label: "A4", widthMm: 210, heightMm: 297 },
  letter: { label: "US Letter", widthMm: 215.9, heightMm: 279.4 },
} as const;
export type Paper = keyof typeof PAPERS;

type Point = readonly [xMm: number, yMm: number];

/** One eye's strip in its own mm, x to the right, y down the paper; the lash line's middle at 0, 0. */
export type PadStripEye = {
  readonly side: Side;
  /** The closed lash line; its arc is exactly the surveyed length. */
  readonly lashLine: readonly Point[];
  readonly padEdge: readonly Point[];
  readonly zoneLines: readonly { readonly from: Point; readonly to: Point }[];
  /** Fibre ends of each zone at true length from the lash line. */
  readonly lengthArcs: readonly (readonly Point[])[];
  readonly lengthLabels: readonly { readonly at: Point; readonly text: string }[];
  readonly zoneLabels: readonly { readonly at: Point; readonly text: string }[];
  readonly landmarks: readonly { readonly from: Point; readonly to: Point; readonly label: string; readonly labelAt: Point }[];
  readonly innerAt: Point;
  readonly outerAt: Point;
};
export type PadStrip = { readonly eyes: readonly [PadStripEye, PadStripEye]; readonly rulerMm: number };

/** How deep the closed lash line hangs below its chord, as the angle of its arc. A drawing convention. */
const ARC_DEG = 64;
const PAD_DEPTH_MM = 22;

/**
 * The pad strip at true scale. Eyes are closed and the map lies on the pad below the lashes: facing the client the
 * lengths run down the paper, from the bed head the same drawing is turned half round.
 */
export function padStrip(survey: Survey, map: LashMap, view: View): PadStrip {
  const [first, second] = eyesInView(view);
  return { eyes: [stripOf(survey, map, first, view), stripOf(survey, map, second, view)], rulerMm: 20 };
}

function stripOf(survey: Survey, map: LashMap, side: Side, view: View): PadStripEye {
  const eye = survey.eyes[side];
  const layer = baseLayer(map, side);
  const arc = (ARC_DEG * Math.PI) / 180;
  const radius = eye.lashLineMm / arc;
  const sign = view === "facing" ? 1 : -1;
  const towardsRight = innerCornerOnRight(side, view) ? -1 : 1;
  /** A place on the lash line and a distance out onto the pad. */
  const point = (at: number, outMm: number): Point => {
    const angle = (at - 0.5) * arc * towardsRight;
    const r = radius + outMm;
    return [Math.sin(angle) * r, sign * (Math.cos(angle) * r - radius)];
  };
  const run = (from: number, to: number, outMm: number, steps: number) =>
    Array.from({ length: steps + 1 }, (_, i) => point(from + ((to - from) * i) / steps, outMm));
  const zones = layer.zones.map((fibre, i) => ({ fibre, from: layer.boundaries[i]!, to: layer.boundaries[i + 1]! }));
  return {
    side,
    lashLine: run(0, 1, 0, 64),
    padEdge: [...run(-0.04, 1.04, -1, 64), ...run(-0.04, 1.04, PAD_DEPTH_MM, 64).reverse()],
    zoneLines: layer.boundaries.map((at) => ({ from: point(at, 0), to: point(at, 15) })),
    lengthArcs: zones.flatMap(({ fibre, from, to }) => (fibre ? [run(from, to, fibre.lengthMm, 8)] : [])),
    lengthLabels: zones.map(({ fibre, from, to }) => ({
      at: point((from + to) / 2, 4.2),
      text: fibre ? String(fibre.lengthMm) : "–",
    })),
    zoneLabels: zones.map(({ from, to }, i) => ({ at: point((from + to) / 2, 16.2), text: String(i + 1) })),
    landmarks: (
      [
        ["irisInner", "iris"],
        ["pupil", "pupil"],
        ["irisOuter", "iris"],
        ["browPeak", "brow"],
      ] as const
    ).map(([key, label]) => ({
      from: point(eye.landmarks[key], -1),
      to: point(eye.landmarks[key], 2),
      label,
      labelAt: point(eye.landmarks[key], -2.6),
    })),
    innerAt: point(-0.02, 9),
    outerAt: point(1.02, 9),
  };
}
