import { CURL_IDS, CURLS, liftAndReach } from "../curl";
import { fieldOf, interpolateMonotone, SIDES, WIDEST_CORNER, type EyeSurvey, type Survey } from "../eye";
import { degToRad } from "../units";
import { BROW_RISE } from "./brow";
import { EYE_PROPORTIONS, type EyeProportions } from "./eyeShapes";
import type { Point2, Point3 } from "./shapes";

/**
 * An open eye in three dimensions, mm: x from the inner corner outwards, y upwards, z out of the face towards who looks.
 * The upper lid's margin lies on a globe; along it the lash line is exactly as long as surveyed.
 */
export type OpenEye = {
  readonly widthMm: number;
  readonly globe: { readonly centre: Point3; readonly radiusMm: number };
  readonly proportions: EyeProportions;
  /** The upper margin from corner to corner, from the front; the lower one; the fold, empty where there is none. */
  readonly upper: readonly Point2[];
  readonly lower: readonly Point2[];
  readonly fold: readonly Point2[];
  /** A place of the lash line, 0 inner .. 1 outer, on the margin. */
  readonly marginAt: (at: number) => Point3;
  /** Which way lashes lift there, seen from the front: half way between straight up and square to the margin. Of length 1. */
  readonly uprightAt: (at: number) => Point2;
  /** Height of the margin and of the fold's edge over a place across the eye, mm. */
  readonly upperY: (x: number) => number;
  readonly foldY: (x: number) => number;
  readonly iris: { readonly x: number; readonly y: number; readonly radius: number };
};

/** Lashes stand along this stretch of the margin, in widths of the eye: not at the tear corner, not quite to the outer one. */
const LASHES = { from: 0.055, to: 0.985 };
/** The globe's middle over the line of the corners, in heights of the upper lid. */
const CENTRE_UP = 0.34;
/** The tear corner runs on inwards past the lashes' line and dips. */
const TEAR_CORNER: Point2 = [-0.05, -0.03];
const FLATTEST = 4;
/** The brow stands so far over the lid at least, and lower lashes hang so far, in widths of the eye. */
const BROW_CLEAR = 0.17;
const LOWER_LASHES = 0.09;
/** How far the lid's slope leans the way its lashes lift: 0 straight up, 1 square to the margin. A drawing convention of this product. */
const UPRIGHT_LEANS = 0.55;
const SLOPE_STEP = 0.004;
const STEPS = 96;
/** The lid is so thick before the globe, and its rows of lashes stand so far behind and below each other, mm. */
export const LID_MM = 1.4;
export const ROW_MM = { back: 0.4, down: 0.12 };

/** Of an eye one wide: the margin's height over it. */
function archOf({ open, peak, arch, tilt }: EyeProportions): (t: number) => number {
  return (t) => {
    const clamped = Math.min(1, Math.max(0, t));
    const bent = clamped < peak ? (clamped / peak) * 0.5 : 0.5 + ((clamped - peak) / (1 - peak)) * 0.5;
    return open * Math.sin(Math.PI * bent) ** arch + tilt * t;
  };
}

/** z on a globe of this radius about (0.5, cy), never behind its middle. */
const depth = (radius: number, x: number, y: number, cy: number) => Math.sqrt(Math.max(0, radius ** 2 - (x - 0.5) ** 2 - (y - cy) ** 2));

type UnitEye = {
  readonly radius: number;
  readonly cy: number;
  readonly y: (t: number) => number;
  /** Lash line as a share of it .. place across. */
  readonly xAt: (at: number) => number;
  /** Its lash line, in widths. */
  readonly line: number;
};

/** The globe on which a margin of this arch is as long as the width of the eye says: its radius by halving. */
function unitEye(proportions: EyeProportions): UnitEye {
  const y = archOf(proportions);
  const cy = proportions.open * CENTRE_UP + proportions.tilt / 2;
  const ts = Array.from({ length: STEPS + 1 }, (_, i) => LASHES.from + ((LASHES.to - LASHES.from) * i) / STEPS);
  const lengths = (radius: number) => {
    const points = ts.map((t): Point3 => [t, y(t), depth(radius, t, y(t), cy)]);
    const sums = [0];
    for (let i = 1; i < points.length; i++) {
      const [a, b] = [points[i - 1]!, points[i]!];
      sums.push(sums[i - 1]! + Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]));
    }
    return sums;
  };
  const wanted = 1 / proportions.width;
  let [low, high] = [0.53, FLATTEST];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (lengths(middle).at(-1)! > wanted) low = middle;
    else high = middle;
  }
  const sums = lengths(high);
  const line = sums.at(-1)!;
  return {
    radius: high,
    cy,
    y,
    line,
    xAt: interpolateMonotone(
      sums.map((sum) => sum / line),
      ts,
    ),
  };
}

const units = new Map<string, UnitEye>();
const unitOf = (shape: EyeSurvey["shape"]): UnitEye => {
  const known = units.get(shape);
  if (known) return known;
  const made = unitEye(EYE_PROPORTIONS[shape]);
  units.set(shape, made);
  return made;
};

type EyeSeen = Pick<EyeSurvey, "lashLineMm" | "shape" | "landmarks">;

/** Lids, lashes and marks of one eye ask for the same: it is reckoned once a survey. */
const opened = new WeakMap<EyeSeen, OpenEye>();

/**
 * The open eye of a survey. Landmarks place the iris; where lashes root they do not move.
 * `openEye(usualSurvey().eyes.right).widthMm` → about 25
 */
export function openEye(eye: EyeSeen): OpenEye {
  let known = opened.get(eye);
  if (!known) opened.set(eye, (known = reckon(eye)));
  return known;
}

function reckon(eye: EyeSeen): OpenEye {
  const proportions = EYE_PROPORTIONS[eye.shape];
  const unit = unitOf(eye.shape);
  const width = eye.lashLineMm / unit.line;
  const ts = Array.from({ length: STEPS + 1 }, (_, i) => i / STEPS);
  const foldOver = proportions.fold && interpolateMonotone([0, 0.25, 0.5, 0.75, 1], proportions.fold);
  const scale = (points: readonly Point2[]) => points.map(([x, y]): Point2 => [x * width, y * width]);
  const upperY = (x: number) => unit.y(x / width) * width;
  const foldY = (x: number) => (foldOver ? upperY(x) + foldOver(x / width) * width : Infinity);
  // Where there is no fold, skin lies over the tear corner.
  const corner = foldOver ? [TEAR_CORNER] : [];
  const left = unit.xAt(eye.landmarks.irisInner) * width;
  const right = unit.xAt(eye.landmarks.irisOuter) * width;
  const radius = (right - left) / 2;
  const irisX = (left + right) / 2;
  return {
    widthMm: width,
    proportions,
    globe: { centre: [width / 2, unit.cy * width, 0], radiusMm: unit.radius * width },
    upper: scale([...corner, ...ts.map((t): Point2 => [t, unit.y(t)])]),
    lower: scale([
      ...corner,
      ...ts.map((t): Point2 => [t, proportions.tilt * t - 0.018 * (1 - t) ** 8 - proportions.lower * Math.sin(Math.PI * t ** 0.88) ** 0.9]),
    ]),
    fold: foldOver ? scale(ts.filter((t) => t > 0.03 && t < 0.985).map((t) => [t, unit.y(t) + foldOver(t)])) : [],
    marginAt: (at) => {
      const x = unit.xAt(at);
      const y = unit.y(x);
      return [x * width, y * width, depth(unit.radius, x, y, unit.cy) * width + LID_MM];
    },
    uprightAt: (at) => {
      const x = unit.xAt(at);
      const slope = (unit.y(x + SLOPE_STEP) - unit.y(x - SLOPE_STEP)) / (2 * SLOPE_STEP);
      const aside = (-slope / Math.hypot(1, slope)) * UPRIGHT_LEANS;
      return [aside, Math.sqrt(1 - aside ** 2)];
    },
    upperY,
    foldY,
    iris: { x: irisX, y: upperY(irisX) - radius * (1 - proportions.irisCut), radius },
  };
}

/** The brow's base over the line of the corners, mm; never so low that it lies on the lid. */
export function browBaseMm({ upper, widthMm, proportions }: OpenEye): number {
  return Math.max(proportions.browAt * widthMm, Math.max(...upper.map(([, y]) => y)) + BROW_CLEAR * widthMm);
}

/** Room is kept for fibres as long as this, mm, in the curl that lifts them highest. */
const LONGEST_MM = 14;
const CLEAR_MM = 0.6;
/** To the side, room for a fibre so much longer than the lash it stands on, where it is set counted in; less at the corners, which match. */
const LONGER_MM = { between: 4, corner: 2 } as const;

/**
 * How far both open eyes reach above and below the line of their corners and past the corners, mm: brow, lids, and the
 * longest lashes they may wear. It does not depend on what is worn, so that a drawing keeps its size while a map is changed.
 */
export function roomOfOpenEyes(survey: Survey): { readonly aboveMm: number; readonly belowMm: number; readonly asideMm: number } {
  const eyes = SIDES.map((side) => openEye(survey.eyes[side]));
  const tops = SIDES.map((side, i) => {
    const steepest = Math.max(0, ...fieldOf(survey, side).map(({ angleDeg }) => angleDeg));
    const lift = Math.max(...CURL_IDS.map((id) => liftAndReach(CURLS[id], LONGEST_MM, steepest).liftMm));
    const eye = eyes[i]!;
    return Math.max(browBaseMm(eye) + BROW_RISE * eye.widthMm, Math.max(...eye.upper.map(([, y]) => y)) + lift);
  });
  const aside = SIDES.flatMap((side, i) =>
    fieldOf(survey, side).map(({ at, azimuthDeg, lengthMm }) => {
      const { marginAt, uprightAt, widthMm } = eyes[i]!;
      const [x] = marginAt(at);
      const longer = at < WIDEST_CORNER || at > 1 - WIDEST_CORNER ? LONGER_MM.corner : LONGER_MM.between;
      // What it reaches and what it lifts lean to the side each by its own share.
      return (lengthMm + longer) * Math.hypot(Math.sin(degToRad(azimuthDeg)), uprightAt(at)[0]) + Math.max(x - widthMm, -x);
    }),
  );
  const below = eyes.map(({ lower, widthMm }) => Math.max(...lower.map(([, y]) => -y)) + LOWER_LASHES * widthMm);
  return { aboveMm: Math.max(...tops) + CLEAR_MM, belowMm: Math.max(...below) + CLEAR_MM, asideMm: Math.max(...aside) };
}
