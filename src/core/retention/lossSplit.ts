import { naturalSurvival, naturalSurvivalRange, type Hazard, type ShareRange, type Unsure } from "../growth";
import { betaBelow } from "../statistics/distributions";
import { shareLeft, type Count } from "./shareLeft";

/** How far the age of what was left bare may be out, days: one standard deviation. A model of this product. */
export const BARE_BELOW_SD_DAYS = 3;

/** What became of the lashes of one set, told apart: what nature took, what the work lost, and how sure that is. */
export type LossSplit = {
  readonly left: ShareRange;
  /** What nature alone would have left. */
  readonly natural: ShareRange;
  /** Of what nature left, the share whose bond held; above 1 where more is on than the cycle explains. */
  readonly bond: ShareRange;
  /** Of everything worn, the share that the work lost; below 0 likewise. */
  readonly lostByWork: ShareRange;
  /** Bonds lost a day, signed. */
  readonly hazardPerDay: Hazard;
  /** Whether the loss can be told from nature's at all. */
  readonly isTold: boolean;
};

/** Steps over what is supposed of the cycle, and how many standard deviations of it are looked at. */
const [STEPS, REACH] = [200, 5];
const WITHIN = 1e-7;

/**
 * Share left after some days, split: `R = S_nat · S_bond`, with the interval of the count (Jeffreys) and of the cycle and bare
 * age both in it. 60 % at 21 days, g = 0, C = 90: bond 78.3 %, 0.0117 a day. Days must be more than none.
 */
export function lossSplit(count: Count, days: number, bareBelow: Unsure, cycle: Unsure): LossSplit {
  if (!(days > 0)) throw new RangeError("Nothing is lost in no time.");
  const left = shareLeft(count);
  const natural = naturalSurvivalRange(days, bareBelow, cycle);
  const likely = naturalShares(days, bareBelow, cycle);
  const [a, b] = [count.left + 0.5, count.worn - count.left + 0.5];
  const below = (share: number) => betaBelow(Math.min(1, Math.max(0, share)), a, b);
  const mean = (of: (natural: number) => number) => likely.reduce((sum, { share, weight }) => sum + weight * of(share), 0);
  const bondLow = quantile(0.025, 0, 50, (bond) => mean((share) => below(bond * share)));
  const bondHigh = quantile(0.975, 0, 50, (bond) => mean((share) => below(bond * share)));
  const lost = (at: number) => quantile(at, -1, 1, (part) => mean((share) => 1 - below(share - part)));
  const bond = { mid: natural.mid > 0 ? left.mid / natural.mid : Infinity, low: count.left === 0 ? 0 : bondLow, high: bondHigh };
  const hazard = (survival: number) => -Math.log(survival) / days;
  return {
    left,
    natural,
    bond,
    lostByWork: { mid: natural.mid - left.mid, low: lost(0.025), high: lost(0.975) },
    hazardPerDay: { mid: hazard(bond.mid), low: hazard(bond.high), high: hazard(bond.low) },
    isTold: bond.high < 1,
  };
}

/** What nature may have left, each with how likely it is: the time a worn lash has is normal about C − g. */
function naturalShares(days: number, bareBelow: Unsure, cycle: Unsure) {
  const sd = Math.hypot(cycle.sd, bareBelow.sd);
  const worn = cycle.mean - bareBelow.mean;
  if (sd === 0) return [{ share: naturalSurvival(days, bareBelow.mean, cycle.mean), weight: 1 }];
  const steps = Array.from({ length: STEPS + 1 }, (_, i) => (i / STEPS) * 2 * REACH - REACH);
  const weights = steps.map((z) => Math.exp((-z * z) / 2));
  const sum = weights.reduce((total, weight) => total + weight, 0);
  return steps.map((z, i) => ({ share: naturalSurvival(days, 0, Math.max(1e-6, worn + z * sd)), weight: weights[i]! / sum }));
}

/** Where a rising share passes a level, by halving. */
function quantile(level: number, from: number, to: number, below: (x: number) => number): number {
  let [low, high] = [from, to];
  while (high - low > WITHIN) {
    const middle = (low + high) / 2;
    if (below(middle) < level) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
