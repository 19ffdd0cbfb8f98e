/**
 * How hair changes while a product lies on it: `L(t) = L₀ ± A(1 − e^(−kt))`, depth in steps, t in minutes. A model of this
 * product. Every client has a rate k and an end A of their own; from one visit to the next the rate wanders a little.
 */
export type DepthLook = { readonly minutes: number; readonly depth: number };
/** One visit's looks, the first at minute 0 with the depth it began from. */
export type Course = { readonly looks: readonly DepthLook[] };

export type ProcessPrior = {
  /** +1 where it lightens, −1 where it darkens. */
  readonly way: 1 | -1;
  /** Median rate, 1/min, and how far clients differ, as a standard deviation of its logarithm. */
  readonly rate: { readonly median: number; readonly logSd: number };
  /** Median of the steps it would change in the end, and how far clients differ, likewise. */
  readonly end: { readonly median: number; readonly logSd: number };
  /** From visit to visit on one client: standard deviation of the logarithm of the rate. */
  readonly visitLogSd: number;
};

/** What is held before anything is known of a client. Models of this product. */
export const PROCESS_PRIORS = {
  lightener: { way: 1, rate: { median: 0.1, logSd: 0.5 }, end: { median: 4, logSd: 0.35 }, visitLogSd: 0.15 },
  tint: { way: -1, rate: { median: 0.22, logSd: 0.5 }, end: { median: 4, logSd: 0.35 }, visitLogSd: 0.15 },
  toner: { way: -1, rate: { median: 0.4, logSd: 0.5 }, end: { median: 2, logSd: 0.4 }, visitLogSd: 0.15 },
} as const satisfies Record<string, ProcessPrior>;

/** A look by eye is off by about this, steps; and it is taken down in whole steps, which adds a twelfth of a step squared. */
export const LOOK_SD = 0.4;
const SEEN_SD = Math.sqrt(LOOK_SD ** 2 + 1 / 12);

/** Standard normal places and weights: `count` of them, evenly over ±`reach`. */
function normalGrid(count: number, reach: number): { z: number; weight: number }[] {
  const points = Array.from({ length: count }, (_, i) => -reach + (2 * reach * i) / (count - 1));
  const all = points.reduce((sum, z) => sum + Math.exp((-z * z) / 2), 0);
  return points.map((z) => ({ z, weight: Math.exp((-z * z) / 2) / all }));
}
const RATES = normalGrid(31, 3.2);
const ENDS = normalGrid(21, 3);
const VISITS = normalGrid(5, 1.9);
const BEGINNINGS = normalGrid(5, 1.9);

/** Depth after some minutes of a known course. `depthAfter(10, { from: 3, way: 1, rate: 0.1, end: 4 })` → 5.53 */
export function depthAfter(minutes: number, curve: { from: number; way: 1 | -1; rate: number; end: number }): number {
  return curve.from + curve.way * curve.end * (1 - Math.exp(-curve.rate * minutes));
}

/** Share of all a product would do that the usual client has taken after some minutes, 0..1. `takenAfter(10, PROCESS_PRIORS.tint)` → 0.89 */
export function takenAfter(minutes: number, { rate }: ProcessPrior): number {
  return 1 - Math.exp(-rate.median * minutes);
}

/** Minutes until a known course reaches a depth: 0 when it is there already, Infinity when it never comes. */
export function minutesTo(target: number, curve: { from: number; way: 1 | -1; rate: number; end: number }): number {
  const wanted = (target - curve.from) * curve.way;
  if (wanted <= 0) return 0;
  return wanted >= curve.end ? Infinity : -Math.log(1 - wanted / curve.end) / curve.rate;
}

export type TimeToTarget = {
  /** Minutes from the first touch: median, and the bounds of 95 %. Infinity where it may never come. */
  readonly low: number;
  readonly mid: number;
  readonly high: number;
  /** Looks it rests on, this visit's and earlier ones', beginnings left out. */
  readonly looks: number;
  /** Chance that it is reached by some minute. */
  readonly reachedBy: (minutes: number) => number;
};

// Taken out of the global object once: looked up a hundred thousand times an estimate they would cost more than they do.
const { exp, log, max, min, round } = Math;

/** Times are gathered into bins a fiftieth apart, so that nothing need be sorted. */
const BIN = 0.02;
const FIRST_BIN_LOG = Math.log(0.05);
const BINS = 500;

/**
 * Minutes to a target depth, as a distribution: Bayes over rate and end on a grid, earlier visits speaking for the
 * client, this visit's looks for itself. `current` begins with the look at minute 0.
 */
export function timeToTarget(target: number, current: Course, earlier: readonly Course[], prior: ProcessPrior): TimeToTarget {
  const usable = earlier.filter((course) => beganAt(course) !== null && laterLooks(course).length > 0);
  const from = beganAt(current) ?? current.looks[0]?.depth ?? target;
  const looks = laterLooks(current);
  const ends = ENDS.map(({ z }) => prior.end.median * exp(z * prior.end.logSd));
  /** Weight by bin of the logarithm of time; there already, and never, stand apart. */
  const bins = new Float64Array(BINS);
  let already = 0;
  let never = 0;
  for (const rateAt of RATES) {
    const clientRate = log(prior.rate.median) + rateAt.z * prior.rate.logSd;
    const risen = ends.map((end, i) =>
      usable.reduce(
        (weight, course) => weight * likelihood(laterLooks(course), beganAt(course)!, clientRate, end, prior),
        rateAt.weight * ENDS[i]!.weight,
      ),
    );
    for (const visit of VISITS) {
      const rate = exp(clientRate + visit.z * prior.visitLogSd);
      const shares = looks.map(({ minutes }) => 1 - exp(-rate * minutes));
      for (const start of BEGINNINGS) {
        const began = from + start.z * SEEN_SD;
        const wanted = (target - began) * prior.way;
        ends.forEach((end, i) => {
          const weight = risen[i]! * visit.weight * start.weight * fits(looks, shares, began, prior.way * end);
          if (wanted <= 0) already += weight;
          else if (wanted >= end) never += weight;
          else {
            const bin = round((log(-log(1 - wanted / end) / rate) - FIRST_BIN_LOG) / BIN);
            bins[min(BINS - 1, max(0, bin))]! += weight;
          }
        });
      }
    }
  }
  const all = already + never + bins.reduce((sum, weight) => sum + weight, 0);
  const minutesOf = (bin: number) => exp(FIRST_BIN_LOG + bin * BIN);
  const at = (share: number) => {
    let seen = already;
    if (seen >= share * all) return 0;
    for (let bin = 0; bin < BINS; bin++) if ((seen += bins[bin]!) >= share * all) return minutesOf(bin);
    return Infinity;
  };
  return {
    low: at(0.025),
    mid: at(0.5),
    high: at(0.975),
    looks: looks.length + usable.reduce((sum, course) => sum + laterLooks(course).length, 0),
    reachedBy: (minutes) => bins.reduce((sum, weight, bin) => sum + (minutesOf(bin) <= minutes ? weight : 0), already) / all,
  };
}

const laterLooks = (course: Course) => course.looks.filter(({ minutes }) => minutes > 0);
const beganAt = (course: Course) => course.looks.find(({ minutes }) => minutes <= 0)?.depth ?? null;

/** How well a curve fits some looks, up to a constant; `shares` are how far it has come at each. */
function fits(looks: readonly DepthLook[], shares: readonly number[], began: number, change: number): number {
  let squares = 0;
  for (let i = 0; i < looks.length; i++) squares += (looks[i]!.depth - began - change * shares[i]!) ** 2;
  return exp(-squares / (2 * SEEN_SD ** 2));
}

/** How well an earlier visit fits a client, whatever its own wandering and its own beginning. */
function likelihood(looks: readonly DepthLook[], from: number, clientRate: number, end: number, prior: ProcessPrior): number {
  let sum = 0;
  for (const visit of VISITS) {
    const rate = exp(clientRate + visit.z * prior.visitLogSd);
    const shares = looks.map(({ minutes }) => 1 - exp(-rate * minutes));
    for (const start of BEGINNINGS) sum += visit.weight * start.weight * fits(looks, shares, from + start.z * SEEN_SD, prior.way * end);
  }
  return sum;
}
