import type { Side, Survey } from "../eye";
import { USUAL_FIGURES } from "../growth";
import type { LashMap } from "../map";
import type { Policy } from "../policy";
import { fillMinutes, fillOrNewSet } from "./fillWorth";
import { gapPlan, type GapPlan, type Kept } from "./gapPlan";
import { countedShare, leftInZones, zonesFound, type ExpectedLoss, type SetBefore, type ZoneFound } from "./setBefore";
import { takeOff, type TakeOff, type ZoneTakeOff } from "./takeOff";
import { isSameZone, type FillWork } from "./work";

const DAY_MS = 86_400_000;

/** A zone with something to come off, and how many are off already. */
export type Removal = { readonly plan: ZoneTakeOff; readonly done: number; readonly rest: number };

/** A fill before anything is placed: what was found, what comes off, what is to be placed, and how long that takes. */
export type FillOutlook = {
  /** Since the client left with it; null where that is not known. */
  readonly days: number | null;
  readonly zones: readonly ZoneFound[];
  /** Zones that are not counted yet. */
  readonly uncounted: number;
  /** What was counted of what was worn; null while nothing is. */
  readonly share: { readonly left: number; readonly worn: number } | null;
  /** How many had been on is known of every zone that was counted: it was placed anew, or counted before it was filled. */
  readonly isKnown: boolean;
  /** What may be expected of all of it; null where its day is not known. */
  readonly expected: { readonly left: number; readonly worn: number } | null;
  /** By the studio's line, from the count, or from what is expected while there is none. */
  readonly workedAs: "fill" | "newSet";
  readonly off: TakeOff;
  readonly removals: readonly Removal[];
  /** What stays on by now; of zones not counted what may be expected, and nothing while none is. */
  readonly kept: readonly Kept[];
  /** The gaps once everything is off that should come off. */
  readonly gaps: GapPlan;
  readonly minutes: { readonly off: number; readonly place: number };
};

/** What `map` on the lashes of `survey` asks of a fill that finds `before`. `pace` gives seconds a lash on an eye, singles and fans apart. */
export function fillOutlook(
  before: SetBefore,
  expected: Omit<ExpectedLoss, "days">,
  fill: FillWork,
  atMs: number,
  {
    map,
    survey,
    policy,
    pace,
  }: { readonly map: LashMap; readonly survey: Survey; readonly policy: Policy; readonly pace: (side: Side, isFan: boolean) => number },
): FillOutlook {
  const days = before.leftAtMs === null ? null : Math.max(0, (atMs - before.leftAtMs) / DAY_MS);
  const zones = zonesFound(before, fill, { ...expected, days });
  const { cycleDays, bareBelowDays } = expected;
  const off = takeOff(leftInZones(before, zones, policy), days ?? 0, policy, { ...USUAL_FIGURES, cycleDays, bareBelowDays });
  const removals = off.zones.flatMap((plan): Removal[] => {
    const { off: done } = zones.find((zone) => isSameZone(zone, plan.zone))!;
    return plan.off === 0 && done === 0 ? [] : [{ plan, done, rest: Math.max(0, plan.off - done) }];
  });
  const restIn = (zone: ZoneFound) => removals.find(({ plan }) => isSameZone(plan.zone, zone))?.rest ?? 0;
  const keptOf = (zone: ZoneFound): Kept => {
    const { side, role, from, to } = zone;
    return { side, role, from, to, n: Math.max(0, (zone.counted?.left ?? zone.expected ?? 0) - zone.off) };
  };
  const kept = zones.map(keptOf);
  const after = zones.map((zone, i) => ({ ...kept[i]!, n: Math.max(0, kept[i]!.n - restIn(zone)) }));
  const gaps = gapPlan(map, survey, after);
  const share = countedShare(zones);
  const all =
    days === null
      ? null
      : { left: zones.reduce((sum, zone) => sum + zone.expected!, 0), worn: zones.reduce((sum, zone) => sum + zone.worn, 0) };
  const isCounted = zones.some(({ counted }) => counted !== null);
  return {
    days,
    zones,
    uncounted: zones.filter(({ counted }) => counted === null).length,
    share,
    isKnown: zones.every(({ counted, isKnown }) => counted === null || isKnown),
    expected: all,
    workedAs: share || all ? fillOrNewSet(share ?? all!, policy) : "fill",
    off,
    removals,
    kept: isCounted ? kept : [],
    gaps,
    minutes: fillMinutes(
      gaps,
      removals.reduce((sum, { rest }) => sum + rest, 0),
      pace,
      policy,
    ),
  };
}
