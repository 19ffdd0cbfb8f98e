import { SIDES, type Side } from "../eye/sides";
import { studentT975 } from "../statistics";
import type { LashGap, Pace } from "./pace";
import type { SetPace } from "./setPaceSchema";

/** Fewer lashes of one eye and technique say nothing of a set's pace there. */
const LEAST_LASHES = 10;

/** A set's pace from its gaps; null where no eye and technique has enough of them. */
export function setPace(gaps: readonly LashGap[]): SetPace | null {
  const groups = SIDES.flatMap((side) =>
    [false, true].flatMap((isFan) => {
      const mine = gaps.filter((gap) => gap.side === side && gap.isFan === isFan).map(({ seconds }) => seconds);
      if (mine.length < LEAST_LASHES) return [];
      const mean = mine.reduce((sum, one) => sum + one, 0) / mine.length;
      const variance = mine.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (mine.length - 1);
      return [{ side, isFan, lashes: mine.length, seconds: mean, variance }];
    }),
  );
  return groups.length > 0 ? { version: 1, groups } : null;
}

/**
 * A hand's pace on one eye (null for both) in one technique, from finished sets: the mean by lashes, and a 95 % interval.
 * From two sets on the interval is that of sets, which differ more than the lashes of one; from one set, that of its lashes.
 * Null where no set says anything of it.
 */
export function learnedPace(sets: readonly SetPace[], side: Side | null, isFan: boolean): Pace | null {
  const known = sets.flatMap(({ groups }) => {
    const mine = groups.filter((one) => one.isFan === isFan && (side === null || one.side === side));
    const lashes = mine.reduce((sum, one) => sum + one.lashes, 0);
    if (lashes === 0) return [];
    const seconds = mine.reduce((sum, one) => sum + one.lashes * one.seconds, 0) / lashes;
    return [{ lashes, seconds, meanVariance: mine.reduce((sum, one) => sum + one.lashes * one.variance, 0) / lashes ** 2 }];
  });
  const [first] = known;
  if (!first) return null;
  const lashes = known.reduce((sum, one) => sum + one.lashes, 0);
  const seconds = known.reduce((sum, one) => sum + one.lashes * one.seconds, 0) / lashes;
  const n = known.length;
  // The variance of a weighted mean, from how far the sets lie from it.
  const between = (n / Math.max(1, n - 1)) * known.reduce((sum, one) => sum + ((one.lashes / lashes) * (one.seconds - seconds)) ** 2, 0);
  const half = n > 1 ? studentT975(n - 1) * Math.sqrt(between) : studentT975(lashes - 1) * Math.sqrt(first.meanVariance);
  return { seconds, lowS: Math.max(0, seconds - half), highS: seconds + half, lashes };
}

/** A hand that says it is new takes so many times the studio's figures, until its own pace is known. Common practice: 3 h for 2. */
export const BEGINNER_TIMES = 1.5;
export const HANDS = { practised: "practised", beginner: "beginner" } as const;
export type HandLevel = keyof typeof HANDS;
export const HAND_LEVELS = Object.keys(HANDS) as [HandLevel, ...HandLevel[]];
