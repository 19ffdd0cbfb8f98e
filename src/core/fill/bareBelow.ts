import { SIDES, type Survey } from "../eye";
import type { LashMap } from "../map";
import { placements } from "../map/placements";

/**
 * Age below which lashes were left bare, days: of a cycle's length the share of lashes that are baby ones and wear nothing by
 * the map. One lash in ten left bare of 90 days → 9.
 */
export function bareBelowDays(map: LashMap, survey: Survey, cycleDays: number): number {
  const all = SIDES.flatMap((side) => placements(map, survey, side));
  const bare = all.filter(({ lash, worn }) => lash.baby && !worn).length;
  return all.length === 0 ? 0 : (cycleDays * bare) / all.length;
}
