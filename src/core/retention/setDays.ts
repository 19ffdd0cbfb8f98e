import { SIDES, type Side } from "../eye";
import { drawLives, isOn, movedOutMm, setOnDay, type CycleFigures, type LashLife, type SetLash, type SetOnDay } from "../growth";
import type { MapFacts, Placement } from "../map";
import { placements } from "../map/placements";
import { placementPlan } from "../placing/placementPlan";
import { lookOf, weightsOf } from "../placing/shows";
import { mulberry32 } from "../units";
import { figuresOf, setLashes, showsMore, widthMm } from "./nextFill";

/** A set is looked ahead so far, days. */
export const DAYS_AHEAD = 35;
/** The one draw that is shown: the same for every map, so that two differ by what they are. */
const SHOWN = 20;
/** One eye is seen to be fuller from so much more of its look on. A model of this product. */
const UNEVEN_FROM = 0.03;

/** A set on one of its days: what is on and why not, and how it looks. */
export type DaySeen = SetOnDay & {
  /** What of the whole look is there, 0..1. */
  readonly look: number;
  /** How much more of its look one eye has than the other, 0..1, and which. */
  readonly uneven: { readonly side: Side; readonly by: number };
};

/** One set drawn over its days: each of its lashes with what becomes of it, and every day as it is seen. */
export type SetDays = {
  readonly figures: CycleFigures;
  readonly lashes: readonly SetLash[];
  readonly lives: readonly LashLife[];
  /** What each of them is and wears, in the same order. */
  readonly worn: readonly {
    readonly side: Side;
    readonly lash: Placement["lash"];
    readonly fibre: NonNullable<Placement["worn"]>["fibre"];
  }[];
  readonly days: readonly DaySeen[];
};

/** One draw of what becomes of a set, the same for the same seed, from the day it is placed to the 35th. */
export function setDays(facts: Pick<MapFacts, "map" | "survey" | "trays" | "policy">, hazardPerDay: number, seed = SHOWN): SetDays {
  const { map, survey, policy } = facts;
  const lashes = setLashes(map, survey, hazardPerDay, policy);
  const figures = figuresOf(map, survey, policy);
  const lives = drawLives(lashes, figures, mulberry32(seed));
  const worn = SIDES.flatMap((side) =>
    placements(map, survey, side).flatMap(({ lash, worn: wears }) => (wears ? [{ side, lash, fibre: wears.fibre }] : [])),
  );
  const plan = placementPlan(map, survey);
  const weights = weightsOf(plan, facts);
  const first: Readonly<Record<Side, number>> = { right: 0, left: worn.findIndex(({ side }) => side === "left") };
  const lookOn = (day: number, side: Side | null) => {
    const counts = plan.spots.map((spot) => spot.slots.filter((slot) => isOn(lives[first[spot.side] + slot]!, day)).length);
    const of = plan.spots.map((spot, i) => (side === null || spot.side === side ? weights[i]! : 0));
    const all = of.reduce((sum, weight) => sum + weight, 0);
    return all > 0 ? lookOf(plan.spots, of, counts) / all : 0;
  };
  const days = Array.from({ length: DAYS_AHEAD + 1 }, (_, day): DaySeen => {
    const [right, left] = [lookOn(day, "right"), lookOn(day, "left")];
    return {
      ...setOnDay(lashes, lives, day),
      look: lookOn(day, null),
      uneven: { side: right >= left ? "right" : "left", by: Math.abs(right - left) },
    };
  });
  return { figures, lashes, lives, worn, days };
}

/** A gap that shows on a day and was not the map's, mm and where; and the eye that is seen to be fuller. Null where nothing is seen. */
export function seenAmiss(
  { days }: Pick<SetDays, "days">,
  day: number,
): { readonly gap: { readonly side: Side; readonly mm: number } | null; readonly fuller: DaySeen["uneven"] | null } {
  const { gap, uneven } = days[day]!;
  const mm = widthMm(gap);
  return {
    gap: gap && showsMore(mm, widthMm(days[0]!.gap)) ? { side: gap.side, mm } : null,
    fuller: uneven.by >= UNEVEN_FROM ? uneven : null,
  };
}

/** How a lash's extension stands on a day: gone, or so far beyond where it was set, mm. */
export const onDay = ({ lives }: Pick<SetDays, "lives">, i: number, day: number): number | null =>
  isOn(lives[i]!, day) ? movedOutMm(lives[i]!, day) : null;
