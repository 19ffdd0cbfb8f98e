import type { Policy } from "../policy";
import { LASH_CYCLE } from "./cycle";
import { LATEST_DAYS, UNKNOWN_DAYS } from "./nextFillDays";
import { naturalSurvival, naturalSurvivalRange, type Unsure } from "./retention";
import type { SetLash } from "./setOverDays";

/** Why a day and no later one. */
export type ComeBackReason = "left" | "load" | "gaps" | "threeWeeks" | "notKnown";
/** Bonds lost a day, with the bounds that hold it in 95 of 100. */
export type Hazard = { readonly mid: number; readonly low: number; readonly high: number };

export type ComeBack = {
  readonly day: number;
  readonly because: ComeBackReason;
  /** The day it would be were bonds and cycle as bad, or as good, as they may be. */
  readonly earliest: number;
  readonly latest: number;
  /** Share on by that day. */
  readonly left: number;
};

/** Nobody is asked back sooner, whatever is found. */
const EARLIEST_DAYS = 5;

/** Share on by a day. */
export const shareOn = (days: number, hazardPerDay: number, bareBelowDays: number, cycleDays: number = LASH_CYCLE.cycleDays): number =>
  naturalSurvival(days, bareBelowDays, cycleDays) * Math.exp(-hazardPerDay * days);

/**
 * The best day to come back: the first on which so many only are left, a growing lash is over its load, or gaps show; never
 * later than 21 days, nor than 14 where nothing is known of how long this client's last. `gapsDay` is the day on which they
 * show in half of the sets drawn; null where they do not.
 */
export function comeBackDay(of: {
  readonly hazard: Hazard;
  readonly isKnown: boolean;
  readonly bareBelow: Unsure;
  readonly cycle: Unsure;
  readonly policy: Pick<Policy, "fillDuePercent">;
  readonly lashes: readonly Pick<SetLash, "stopsAtMm">[];
  readonly gapsDay: number | null;
}): ComeBack {
  const { bareBelow, cycle } = of;
  const leftDay = (natural: (days: number) => number, hazard: number) => {
    for (let day = EARLIEST_DAYS; day < LATEST_DAYS; day++)
      if (natural(day) * Math.exp(-hazard * day) <= of.policy.fillDuePercent / 100) return day;
    return LATEST_DAYS;
  };
  const range = (bound: "low" | "mid" | "high") => (days: number) => naturalSurvivalRange(days, bareBelow, cycle)[bound];
  const stops = of.lashes.flatMap(({ stopsAtMm }) => (stopsAtMm === null ? [] : [stopsAtMm]));
  const loadDay = stops.length === 0 ? LATEST_DAYS : Math.max(EARLIEST_DAYS, Math.ceil(Math.min(...stops) / LASH_CYCLE.growthMmPerDay));
  const others = Math.min(loadDay, of.gapsDay ?? LATEST_DAYS, of.isKnown ? LATEST_DAYS : UNKNOWN_DAYS);
  const left = leftDay(range("mid"), of.hazard.mid);
  const day = Math.min(left, others);
  const because = ((): ComeBackReason => {
    if (left === day && left < LATEST_DAYS) return "left";
    if (loadDay === day && loadDay < LATEST_DAYS) return "load";
    if (of.gapsDay === day) return "gaps";
    return of.isKnown ? "threeWeeks" : "notKnown";
  })();
  return {
    day,
    because,
    earliest: Math.min(day, leftDay(range("low"), of.hazard.high)),
    latest: Math.max(day, Math.min(others, leftDay(range("high"), of.hazard.low))),
    left: shareOn(day, of.hazard.mid, bareBelow.mean, cycle.mean),
  };
}
