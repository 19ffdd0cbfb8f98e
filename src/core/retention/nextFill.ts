import { SIDES, type Side, type Survey } from "../eye";
import { bareBelowDays, stopsAtMm } from "../fill";
import {
  comeBackDay,
  cycleOf,
  drawLives,
  LATEST_DAYS,
  setOnDay,
  shareOn,
  USUAL_FIGURES,
  type ComeBack,
  type CycleFigures,
  type Hazard,
  type LashLife,
  type SetLash,
  type SetOnDay,
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

/** What a set's days are reckoned by: the studio's cycle, and how young a lash of this map was left bare. */
export const figuresOf = (map: LashMap, survey: Survey, policy: Policy): CycleFigures => ({
  ...USUAL_FIGURES,
  cycleDays: policy.cycleDays,
  bareBelowDays: bareBelowDays(map, survey, policy.cycleDays),
});

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

/** What may become of a set: it drawn some times, the same draws for the same set. */
export function drawnSets(lashes: readonly SetLash[], figures: CycleFigures): LashLife[][] {
  const random = mulberry32(SEED);
  return Array.from({ length: DRAWS }, () => drawLives(lashes, figures, random));
}

/** How many are on by a day, and of those outgrown and over their load, in the mean over sets drawn. */
export function meanOn(
  lashes: readonly SetLash[],
  sets: readonly LashLife[][],
  day: number,
): Pick<SetOnDay, "on" | "outgrown" | "overLoad"> {
  const seen = sets.map((lives) => setOnDay(lashes, lives, day));
  const mean = (of: (one: SetOnDay) => number) => seen.reduce((sum, one) => sum + of(one), 0) / Math.max(1, seen.length);
  return { on: mean(({ on }) => on), outgrown: mean(({ outgrown }) => outgrown), overLoad: mean(({ overLoad }) => overLoad) };
}

/** The first day on which a gap shows in half of some sets drawn, up to the latest day anybody is asked back; null where none does. */
export function gapsDay(lashes: readonly SetLash[], sets: readonly LashLife[][]): number | null {
  // Gaps that were there from the first day are the map's.
  const widest = (lives: readonly LashLife[], day: number) => widthMm(setOnDay(lashes, lives, day).gap);
  const atFirst = widest(sets[0] ?? [], 0);
  for (let day = 5; day <= LATEST_DAYS; day++) {
    const showing = sets.filter((lives) => showsMore(widest(lives, day), atFirst)).length;
    if (showing * 2 >= sets.length) return day;
  }
  return null;
}

/** A gap's width, mm; none is 0 wide. */
export const widthMm = (gap: SetOnDay["gap"]): number => (gap ? gap.toMm - gap.fromMm : 0);

/** Does a gap show, and more than the map's own did on the first day? */
export const showsMore = (mm: number, atFirstMm: number): boolean => mm > Math.max(GAP_SHOWS_MM, atFirstMm + 1e-9);

/** The day to come back, and what a week later would cost. */
export type NextFill = ComeBack & {
  readonly weekLater: {
    /** Minutes more at the fill, and lashes more that carry more than they may, or stand outgrown. */
    readonly minutes: number;
    readonly overLimit: number;
  };
};

type Lost = { readonly hazard: Hazard; readonly isKnown: boolean };

function judged(map: LashMap, survey: Survey, { hazard, isKnown }: Lost, policy: Policy) {
  const figures = figuresOf(map, survey, policy);
  const lashes = setLashes(map, survey, hazard.mid, policy);
  const sets = drawnSets(lashes, figures);
  const found = comeBackDay({
    hazard,
    isKnown,
    bareBelow: { mean: figures.bareBelowDays, sd: 0 },
    cycle: cycleOf(policy),
    policy,
    lashes,
    gapsDay: gapsDay(lashes, sets),
  });
  return { figures, lashes, sets, found };
}

/** After how many days a client is best asked back to a set: the day of `nextFill`, without what a week later would cost. */
export const nextFillDay = (map: LashMap, survey: Survey, lost: Lost, policy: Policy): number =>
  judged(map, survey, lost, policy).found.day;

/** When a client is best asked back to a set: by bonds lost a day, load and gaps. `pace` gives seconds a lash. */
export function nextFill(
  map: LashMap,
  survey: Survey,
  { hazard, isKnown }: Lost,
  policy: Policy,
  pace: (side: Side, isFan: boolean) => number,
): NextFill {
  const { figures, lashes, sets, found } = judged(map, survey, { hazard, isKnown }, policy);
  const later = found.day + WEEK;
  const lostShare = found.left - shareOn(later, hazard.mid, figures.bareBelowDays, policy.cycleDays);
  const seconds = lashes.length === 0 ? 0 : lashes.reduce((sum, { side }) => sum + pace(side, mostCount(map.fibre) > 1), 0) / lashes.length;
  const over = (day: number) => meanOn(lashes, sets, day).overLoad;
  return {
    ...found,
    weekLater: {
      minutes: Math.round((lostShare * lashes.length * seconds) / 60),
      overLimit: Math.max(0, Math.round(over(later) - over(found.day))),
    },
  };
}
