import { SIDES, type Side, type Survey } from "../eye";
import { bareBelowDays, stopsAtMm } from "../fill";
import {
  comeBackDay,
  cycleOf,
  drawLives,
  LATEST_DAYS,
  movedOutShare,
  setOnDay,
  shareOn,
  USUAL_FIGURES,
  type ComeBack,
  type Hazard,
  type SetLash,
} from "../growth";
import { mostCount } from "../lash";
import { FULL_GROWN_PERCENTILE, zoneLimit, type LashMap } from "../map";
import { placements } from "../map/placements";
import type { Policy } from "../policy";
import { mulberry32 } from "../units";

/** A bare stretch between two extensions is seen from so many mm on. A model of this product. */
export const GAP_SHOWS_MM = 2;
/** Sets drawn to see when gaps show; the same ones for the same set. */
const [DRAWS, SEED] = [24, 11] as const;
const WEEK = 7;

/** Every extension of a set with what its days are judged by, eye by eye in line from the inner corner. */
export function setLashes(map: LashMap, survey: Survey, hazardPerDay: number, policy: Policy): SetLash[] {
  return SIDES.flatMap((side) => {
    const { layers } = map.eyes[side];
    const limits = layers.map(({ boundaries, zones }) =>
      zones.map((_, i) =>
        zoneLimit(
          survey.eyes[side],
          { from: boundaries[i]!, to: boundaries[i + 1]!, first: i === 0, last: i === zones.length - 1 },
          policy,
        ),
      ),
    );
    return placements(map, survey, side).flatMap(({ lash, worn }): SetLash[] => {
      if (!worn) return [];
      const { growthLeftMm, natural } = limits[worn.layer]![worn.zone]!;
      const matureMm = natural.quantileMm(FULL_GROWN_PERCENTILE);
      const lacksMm = Math.min(growthLeftMm, Math.max(0, matureMm - lash.lengthMm));
      const fibre = { ...worn.fibre, count: mostCount(worn.fibre) };
      return [
        {
          side,
          atMm: lash.at * survey.eyes[side].lashLineMm,
          lengthMm: lash.lengthMm,
          matureMm,
          hazardPerDay,
          stopsAtMm: stopsAtMm(fibre, lash.diameterMm, lacksMm, policy),
        },
      ];
    });
  });
}

/** The first day on which a gap shows in half of some sets drawn, up to the latest day anybody is asked back; null where none does. */
export function gapsDay(lashes: readonly SetLash[], bareDays: number, cycleDays: number): number | null {
  const random = mulberry32(SEED);
  const figures = { ...USUAL_FIGURES, cycleDays, bareBelowDays: bareDays };
  const sets = Array.from({ length: DRAWS }, () => drawLives(lashes, figures, random));
  // Gaps that were there from the first day are the map's.
  const atFirst = widestMm(lashes, sets[0] ?? [], 0);
  for (let day = 5; day <= LATEST_DAYS; day++) {
    const showing = sets.filter((lives) => widestMm(lashes, lives, day) > Math.max(GAP_SHOWS_MM, atFirst + 1e-9)).length;
    if (showing * 2 >= DRAWS) return day;
  }
  return null;
}

function widestMm(lashes: readonly SetLash[], lives: ReturnType<typeof drawLives>, day: number): number {
  const { gap } = setOnDay(lashes, lives, day);
  return gap ? gap.toMm - gap.fromMm : 0;
}

/** The day to come back, and what a week later would cost. */
export type NextFill = ComeBack & {
  readonly weekLater: {
    /** Minutes more at the fill, and lashes more that carry more than they may, or stand outgrown. */
    readonly minutes: number;
    readonly overLimit: number;
  };
};

/** When a client is best asked back to a set: by bonds lost a day, load and gaps. `pace` gives seconds a lash. */
export function nextFill(
  map: LashMap,
  survey: Survey,
  { hazard, isKnown }: { readonly hazard: Hazard; readonly isKnown: boolean },
  policy: Policy,
  pace: (side: Side, isFan: boolean) => number,
): NextFill {
  const cycle = cycleOf(policy);
  const bare = bareBelowDays(map, survey, policy.cycleDays);
  const lashes = setLashes(map, survey, hazard.mid, policy);
  const found = comeBackDay({
    hazard,
    isKnown,
    bareBelow: { mean: bare, sd: 0 },
    cycle,
    policy,
    lashes,
    gapsDay: gapsDay(lashes, bare, policy.cycleDays),
  });
  const later = found.day + WEEK;
  const lostShare = found.left - shareOn(later, hazard.mid, bare, policy.cycleDays);
  const seconds = lashes.length === 0 ? 0 : lashes.reduce((sum, { side }) => sum + pace(side, mostCount(map.fibre) > 1), 0) / lashes.length;
  const over = (days: number) =>
    lashes.reduce(
      (sum, { stopsAtMm: stops }) =>
        sum + (stops === null ? 0 : movedOutShare(days, Math.max(1e-6, stops)) * shareOn(days, hazard.mid, bare, policy.cycleDays)),
      0,
    );
  return {
    ...found,
    weekLater: {
      minutes: Math.round((lostShare * lashes.length * seconds) / 60),
      overLimit: Math.max(0, Math.round(over(later) - over(found.day))),
    },
  };
}
