import { interpolateMonotone } from "./interpolate";
import type { EyeShape } from "./classes";
import type { EyeSurvey } from "./survey";

/**
 * An open eye seen from the front, mm; x from the inner corner outwards, y upwards. The upper lid's arc is exactly
 * the surveyed lash line. Shapes are drawing conventions of this product, not measures.
 */
export type LidOutline = {
  readonly widthMm: number;
  readonly upper: readonly (readonly [x: number, y: number])[];
  readonly lower: readonly (readonly [x: number, y: number])[];
  readonly crease: readonly (readonly [x: number, y: number])[];
  readonly brow: readonly (readonly [x: number, y: number])[];
  /** Place on the upper lid at a fraction of the lash line. */
  readonly pointAt: (at: number) => readonly [x: number, y: number];
  readonly iris: { readonly x: number; readonly y: number; readonly radius: number };
};

/** Opening over width, where the lid is highest, how much higher the outer corner stands, fold above the lid. */
const PROPORTIONS: Record<EyeShape, { open: number; peak: number; tilt: number; fold: number }> = {
  almond: { open: 0.27, peak: 0.46, tilt: 0.05, fold: 0.12 },
  round: { open: 0.36, peak: 0.5, tilt: 0.03, fold: 0.13 },
  hooded: { open: 0.23, peak: 0.48, tilt: 0.02, fold: 0.045 },
  monolid: { open: 0.21, peak: 0.5, tilt: 0.06, fold: 0 },
  downturned: { open: 0.27, peak: 0.42, tilt: -0.07, fold: 0.11 },
  upturned: { open: 0.27, peak: 0.54, tilt: 0.13, fold: 0.12 },
  deepSet: { open: 0.26, peak: 0.48, tilt: 0.03, fold: 0.06 },
  prominent: { open: 0.33, peak: 0.49, tilt: 0.03, fold: 0.17 },
};

const STEPS = 64;

export function lidOutline(eye: Pick<EyeSurvey, "lashLineMm" | "shape" | "landmarks">): LidOutline {
  const { open, peak, tilt, fold } = PROPORTIONS[eye.shape];
  const arch = (height: number) => (t: number) => {
    // A lid that is highest at `peak`: sin of a bent parameter, steeper at the inner corner than a circle.
    const bent = t < peak ? (t / peak) * 0.5 : 0.5 + ((t - peak) / (1 - peak)) * 0.5;
    return height * Math.sin(Math.PI * bent) ** 0.82 + tilt * t;
  };
  const unit = (height: number) => Array.from({ length: STEPS + 1 }, (_, i) => [i / STEPS, arch(height)(i / STEPS)] as [number, number]);
  const unitUpper = unit(open);
  const unitLength = unitUpper.reduce((sum, [x, y], i) => {
    const [px, py] = unitUpper[i - 1] ?? [x, y];
    return sum + Math.hypot(x - px, y - py);
  }, 0);
  const widthMm = eye.lashLineMm / unitLength;
  const scale = (points: [number, number][]) => points.map(([x, y]) => [x * widthMm, y * widthMm] as const);
  const upper = scale(unitUpper);

  const lengths: number[] = [0];
  for (let i = 1; i < upper.length; i++) {
    const [x, y] = upper[i]!;
    const [px, py] = upper[i - 1]!;
    lengths.push(lengths[i - 1]! + Math.hypot(x - px, y - py));
  }
  const total = lengths[lengths.length - 1]!;
  const fractions = lengths.map((length) => length / total);
  const xAt = interpolateMonotone(
    fractions,
    upper.map(([x]) => x),
  );
  const yOf = (x: number) => arch(open)(x / widthMm) * widthMm;
  const pointAt = (at: number) => {
    const x = xAt(at);
    return [x, yOf(x)] as const;
  };

  const left = xAt(eye.landmarks.irisInner);
  const right = xAt(eye.landmarks.irisOuter);
  const radius = (right - left) / 2;
  const x = (left + right) / 2;
  const browX = xAt(eye.landmarks.browPeak);
  return {
    widthMm,
    upper,
    lower: scale(
      Array.from({ length: STEPS + 1 }, (_, i) => {
        const t = i / STEPS;
        return [t, tilt * t - open * 0.42 * Math.sin(Math.PI * t ** 0.9) ** 0.9] as [number, number];
      }),
    ),
    crease:
      fold === 0
        ? []
        : upper
            .filter((_, i) => i > 4 && i < STEPS - 2)
            .map(([px, py], i, all) => {
              const t = i / (all.length - 1);
              return [px, py + fold * widthMm * Math.sin(Math.PI * (0.12 + 0.8 * t)) ** 0.7] as const;
            }),
    brow: [
      [-0.06 * widthMm, 0.62 * widthMm],
      [browX * 0.5, 0.7 * widthMm],
      [browX, 0.76 * widthMm],
      [1.12 * widthMm, 0.56 * widthMm],
    ],
    pointAt,
    iris: { x, y: yOf(x) - radius * 0.86, radius },
  };
}
