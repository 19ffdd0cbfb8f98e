import type { EyeShape } from "../eye";

/**
 * What an eye of a shape is drawn by. All are drawing conventions of this product, in widths of the eye unless it is said
 * otherwise; places run from the inner corner (0) to the outer (1).
 */
export type EyeProportions = {
  /** Width from corner to corner, in lash lines. */
  readonly width: number;
  /** How high the upper lid stands over the line of the corners, and how low the lower one hangs. */
  readonly open: number;
  readonly lower: number;
  /** Where the upper lid is highest. */
  readonly peak: number;
  /** How round its arch is: 1 a sine, less fuller at the corners. */
  readonly arch: number;
  /** How much higher the outer corner stands than the inner. */
  readonly tilt: number;
  /** The fold over the lid: how high over the margin at five places, or null where there is none. Under 0 it hangs over the margin. */
  readonly fold: readonly [number, number, number, number, number] | null;
  /** How far the fold stands before the roots of the lashes, mm: what a lash comes out beneath. */
  readonly hoodMm: number;
  /** Shade above the fold, 0..1: a brow that stands forward. */
  readonly brow: number;
  /** Where the brow runs over the inner corner. */
  readonly browAt: number;
  /** Light on the lid, 0..1: a lid that stands forward. */
  readonly lidLight: number;
  /** How much of the iris the upper lid covers, in its radius. */
  readonly irisCut: number;
};

const almond: EyeProportions = {
  width: 0.9,
  open: 0.25,
  lower: 0.092,
  peak: 0.46,
  arch: 0.84,
  tilt: 0.045,
  fold: [0.035, 0.09, 0.115, 0.105, 0.05],
  hoodMm: 0,
  brow: 0.25,
  browAt: 0.6,
  lidLight: 0.25,
  irisCut: 0.3,
};

export const EYE_PROPORTIONS: Readonly<Record<EyeShape, EyeProportions>> = {
  almond,
  round: {
    ...almond,
    width: 0.845,
    open: 0.33,
    lower: 0.14,
    peak: 0.49,
    arch: 0.74,
    tilt: 0.02,
    fold: [0.05, 0.1, 0.115, 0.11, 0.065],
    irisCut: 0.23,
    browAt: 0.66,
  },
  hooded: {
    ...almond,
    width: 0.905,
    open: 0.235,
    lower: 0.088,
    tilt: 0.02,
    fold: [0.03, 0.042, 0.022, -0.016, -0.024],
    hoodMm: 1.5,
    peak: 0.39,
    arch: 0.9,
    brow: 0.35,
    browAt: 0.5,
    lidLight: 0.05,
    irisCut: 0.36,
  },
  monolid: {
    ...almond,
    width: 0.93,
    open: 0.19,
    lower: 0.075,
    peak: 0.52,
    arch: 0.78,
    tilt: 0.07,
    fold: null,
    brow: 0.06,
    browAt: 0.6,
    lidLight: 0.3,
    irisCut: 0.42,
  },
  downturned: { ...almond, width: 0.895, peak: 0.38, tilt: -0.1, fold: [0.04, 0.1, 0.11, 0.085, 0.03], browAt: 0.57 },
  upturned: { ...almond, width: 0.9, peak: 0.55, tilt: 0.16, open: 0.235, fold: [0.03, 0.085, 0.115, 0.115, 0.06], browAt: 0.62 },
  deepSet: {
    ...almond,
    open: 0.255,
    tilt: 0.02,
    fold: [0.02, 0.035, 0.04, 0.03, 0.012],
    hoodMm: 0,
    brow: 0.85,
    browAt: 0.44,
    lidLight: 0,
    irisCut: 0.34,
  },
  prominent: {
    ...almond,
    width: 0.86,
    open: 0.3,
    lower: 0.12,
    arch: 0.76,
    fold: [0.06, 0.15, 0.185, 0.165, 0.08],
    brow: 0.05,
    browAt: 0.68,
    lidLight: 0.8,
    irisCut: 0.25,
  },
};
