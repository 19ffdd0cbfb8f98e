import { SIDES, type Side, type Survey } from "../eye";
import { placements, type LashMap, type Layer } from "../map";
import { everyOther, placementPlan, type PlacementPlan, type PlannedSpot } from "../placing/placementPlan";

/** Extensions that stay on: so many between two places of the lash line, of a kind of layer. */
export type Kept = { readonly side: Side; readonly role: Layer["role"]; readonly from: number; readonly to: number; readonly n: number };

/** What a fill puts on, and what is on already. */
export type GapPlan = PlacementPlan & {
  /** Places of an eye's line of worn lashes that wear an extension still; which of a zone's they are is supposed. */
  readonly kept: Readonly<Record<Side, ReadonlySet<number>>>;
};

/**
 * The plan of a map with only its gaps to fill. What is kept takes up natural lashes where it stands, those of its own
 * kind of layer first, spread over its stretch; where the map has none or fewer there, whatever does. A lash that a kept
 * extension sits on is not free.
 */
export function gapPlan(map: LashMap, survey: Survey, kept: readonly Kept[]): GapPlan {
  const plan = placementPlan(map, survey);
  const taken = { right: new Set<number>(), left: new Set<number>() };
  for (const side of SIDES) {
    const { layers } = map.eyes[side];
    const worn = placements(map, survey, side).flatMap(({ lash, worn: wears }) =>
      wears ? [{ at: lash.at, role: layers[wears.layer]!.role }] : [],
    );
    for (const one of kept.filter((each) => each.side === side)) {
      const within = worn.flatMap(({ at, role }, place) =>
        at >= one.from && (at < one.to || one.to === 1) && !taken[side].has(place) ? [{ place, isOwn: role === one.role }] : [],
      );
      const own = within.filter(({ isOwn }) => isOwn).map(({ place }) => place);
      const others = within.filter(({ isOwn }) => !isOwn).map(({ place }) => place);
      const ofOwn = spread(own, one.n);
      for (const place of [...ofOwn, ...spread(others, one.n - ofOwn.length)]) taken[side].add(place);
    }
  }
  const spots = plan.spots.map((spot): PlannedSpot => {
    const free = [...spot.slots].sort((a, b) => a - b).filter((place) => !taken[spot.side].has(place));
    return { ...spot, planned: free.length, slots: everyOther(free) };
  });
  return { ...plan, spots, kept: taken };
}

/** So many of some places, evenly; all of them where there are no more. */
function spread(places: readonly number[], n: number): number[] {
  const many = Math.min(Math.max(0, n), places.length);
  return places.filter((_, i) => Math.floor(((i + 1) * many) / places.length) > Math.floor((i * many) / places.length));
}
