import type { Side } from "../eye";
import type { PlacingPace } from "../map";
import { studentT975 } from "../statistics";
import type { PlacementPlan } from "./placementPlan";
import { spotKey, type PlacingWork } from "./work";

/** Seconds from one lash to the next, and on which eye and with what it was placed. */
export type LashGap = { readonly side: Side; readonly isFan: boolean; readonly seconds: number };

/** Seconds a lash takes: the mean, its 95 % interval, and how many stand behind it. */
export type Pace = { readonly seconds: number; readonly lowS: number; readonly highS: number; readonly lashes: number };

/** A gap longer than so many middling ones was something else. Common practice in timing work. */
const OUT_FROM_MEDIANS = 4;
/** No lash is placed in less, s: taps so close count what was placed before. A model of this product. */
const LEAST_S = 2;
/** Fewer than this say nothing of a pace. */
export const LEAST_GAPS = 10;
/** How many lashes at each end of a set are told apart: hands tire. */
const END_LASHES = 10;

/**
 * Gaps between lashes placed one by one, in order. Those in which something else was done (`interruptionsMs`: beads, checks,
 * tape, lashes set anew) or the work stood still are left out, so are taps that count several placed before, with the time
 * before the first of them, and what took over four times the middling gap.
 */
export function lashGaps(plan: PlacementPlan, work: PlacingWork, interruptionsMs: readonly number[] = []): LashGap[] {
  const fans = new Map(plan.spots.map((spot) => [spotKey(spot), spot.isFan]));
  const breaks = [
    ...interruptionsMs,
    ...work.redone.map(({ atMs }) => atMs),
    ...work.faults.map(({ atMs }) => atMs),
    ...work.tapes.flatMap(bothEnds),
    ...work.pauses.flatMap(bothEnds),
  ].sort((a, b) => a - b);
  // Both in order: each is gone through once.
  let next = 0;
  const gaps = work.lashes.flatMap((lash, i): LashGap[] => {
    const before = work.lashes[i - 1];
    if (!before) return [];
    while (next < breaks.length && breaks[next]! <= before.atMs) next += 1;
    if (lash.n > 1 || (next < breaks.length && breaks[next]! <= lash.atMs)) return [];
    const seconds = (lash.atMs - before.atMs) / 1000;
    const then = work.lashes[i + 1];
    const isCaughtUp = seconds < LEAST_S || (then !== undefined && then.atMs - lash.atMs < LEAST_S * 1000);
    return !isCaughtUp ? [{ side: lash.side, isFan: fans.get(spotKey(lash)) ?? false, seconds }] : [];
  });
  const longest = OUT_FROM_MEDIANS * median(gaps.map(({ seconds }) => seconds));
  return gaps.filter(({ seconds }) => seconds <= longest);
}

const bothEnds = ({ fromMs, toMs }: { fromMs: number; toMs: number | null }) => (toMs === null ? [fromMs] : [fromMs, toMs]);

function median(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const sorted = [...values].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** Mean and 95 % interval of some gaps; null where too few are known. */
export function paceOf(gaps: readonly LashGap[]): Pace | null {
  const n = gaps.length;
  if (n < LEAST_GAPS) return null;
  const mean = gaps.reduce((sum, { seconds }) => sum + seconds, 0) / n;
  const variance = gaps.reduce((sum, { seconds }) => sum + (seconds - mean) ** 2, 0) / (n - 1);
  const half = studentT975(n - 1) * Math.sqrt(variance / n);
  return { seconds: mean, lowS: Math.max(0, mean - half), highS: mean + half, lashes: n };
}

/** What a lash takes at this set: as it went so far on that eye, or in that technique, where enough is known; else `usual`. */
export function paceNow(gaps: readonly LashGap[], usual: (side: Side, isFan: boolean) => number): (side: Side, isFan: boolean) => number {
  const known = new Map<string, number>();
  for (const isFan of [false, true]) {
    const alike = gaps.filter((gap) => gap.isFan === isFan);
    const both = paceOf(alike)?.seconds;
    for (const side of ["right", "left"] as const)
      known.set(`${side} ${isFan}`, paceOf(alike.filter((gap) => gap.side === side))?.seconds ?? both ?? usual(side, isFan));
  }
  return (side, isFan) => known.get(`${side} ${isFan}`)!;
}

/** The pace of the first and the last ten lashes; null where the set is too short to tell them apart. */
export function firstAndLast(gaps: readonly LashGap[]): { readonly first: Pace; readonly last: Pace } | null {
  if (gaps.length < 2 * END_LASHES) return null;
  return { first: paceOf(gaps.slice(0, END_LASHES))!, last: paceOf(gaps.slice(-END_LASHES))! };
}

/** Seconds of placing that are still to come, by what each lash takes on its eye. */
export function secondsLeft(
  plan: PlacementPlan,
  placedOf: (spot: PlacementPlan["spots"][number]) => number,
  pace: (side: Side, isFan: boolean) => number,
): number {
  return plan.spots.reduce((sum, spot) => sum + Math.max(0, spot.planned - placedOf(spot)) * pace(spot.side, spot.isFan), 0);
}

/** What a hand's earlier sets say of a lash: on each eye in each technique where that is known, else one figure a technique. */
export type UsualPace = PlacingPace & { readonly lash: readonly (Pick<LashGap, "side" | "isFan"> & { readonly seconds: number })[] };

/** What a lash takes by this technician's earlier sets, on that eye, in that technique; else by the figure for a set. */
export const usualPace =
  ({ lash, secondsPerFan, secondsPerSingle }: UsualPace) =>
  (side: Side, isFan: boolean): number =>
    lash.find((one) => one.side === side && one.isFan === isFan)?.seconds ?? (isFan ? secondsPerFan : secondsPerSingle);
