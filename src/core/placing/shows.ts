import { lashArea, placements, type MapFacts } from "../map";
import type { PlacementPlan, PlannedSpot } from "./placementPlan";

/** What a zone shows with a share of its lashes placed, of all it shows: the first ones show most. A model of this product. `shown(0.5)` → 0.75 */
export const shown = (share: number): number => 2 * share - share * share;

/** Each spot's part of what the map shows when all is placed, 0..1, in the plan's order: by the area its fibres cover, seen from the front. */
export function weightsOf(plan: PlacementPlan, facts: Pick<MapFacts, "map" | "survey" | "trays" | "policy">): number[] {
  const worn = {
    right: placements(facts.map, facts.survey, "right").filter((placement) => placement.worn),
    left: placements(facts.map, facts.survey, "left").filter((placement) => placement.worn),
  };
  const areas = plan.spots.map(({ side, slots, fibre }) =>
    slots.reduce((sum, slot) => sum + lashArea(fibre, worn[side][slot]!.lash, facts), 0),
  );
  const total = areas.reduce((sum, area) => sum + area, 0);
  return areas.map((area) => (total > 0 ? area / total : 0));
}

/** What of the whole look is there, 0..1, with so many lashes of each spot. */
export function lookOf(spots: readonly PlannedSpot[], weights: readonly number[], counts: readonly number[]): number {
  return spots.reduce((sum, { planned }, i) => sum + weights[i]! * shown(Math.min(1, counts[i]! / planned)), 0);
}
