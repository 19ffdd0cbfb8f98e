import { normalBelow } from "../statistics/gaussian";
import type { SetTime } from "./setTimeModel";

/** Seconds from the dip until the extension sits, of one hand and technique. */
export type HandTime = { readonly seconds: number; readonly logSd: number; readonly times: number };

export type HandMatch = {
  readonly word: "too fast" | "fits" | "too slow";
  /** Of ten placements so many find the glue skinned before they arrive. */
  readonly lateShare: number;
  readonly placementS: number;
  readonly setTimeS: number;
};

/** Models of this product. Glue takes a lash until about twice its set time; a tenth of a hand's times are its own spread at least. */
const OPEN_FOR_SET_TIMES = 2;
/** Late more often than not: its set time is under half of the hand's. */
const LATE_FROM = 0.5;
/** Longer than this many placements, and by this many seconds at least, each lash is waited for. A model of this product. */
const SLOW_FROM_PLACEMENTS = 1.5;
const SLOW_BY_S = 1;
const LEAST_SPREAD = 0.1;

/** A technician's measured placements as one hand; null with none. */
export function handTime(seconds: readonly number[]): HandTime | null {
  if (seconds.length === 0) return null;
  const logs = seconds.map(Math.log);
  const mean = logs.reduce((sum, value) => sum + value, 0) / logs.length;
  const variance = logs.length > 1 ? logs.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (logs.length - 1) : 0.25 ** 2;
  return { seconds: Math.exp(mean), logSd: Math.max(LEAST_SPREAD, Math.sqrt(variance)), times: seconds.length };
}

/** Set time against the hand: does the glue skin before the fibre arrives, or is every lash waited for? */
export function handMatch(expected: Extract<SetTime, { known: true }>, hand: HandTime): HandMatch {
  const margin = Math.log((OPEN_FOR_SET_TIMES * expected.setTimeS) / hand.seconds);
  const lateShare = normalBelow(-margin / Math.hypot(expected.logSd, hand.logSd));
  const slow = expected.setTimeS > SLOW_FROM_PLACEMENTS * hand.seconds && expected.setTimeS >= hand.seconds + SLOW_BY_S;
  return {
    word: lateShare > LATE_FROM ? "too fast" : slow ? "too slow" : "fits",
    lateShare,
    placementS: hand.seconds,
    setTimeS: expected.setTimeS,
  };
}

/**
 * What the match means at the bed, and what to do; null where it fits. `directed` is a lash whose direction must hold: a
 * spike, or a single placed by direction. `handWords({ word: "too fast", … }, false)` → "It skins before it arrives: …"
 */
export function handWords({ word }: Pick<HandMatch, "word">, directed: boolean): string | null {
  if (word === "too fast") return "It skins before it arrives: a slower bottle fits this hand.";
  if (word === "fits") return null;
  return directed
    ? "Lashes lean while neighbours are isolated: mend the air or take a faster bottle."
    : "Every lash is waited for: a faster bottle fits this hand.";
}
