import type { Side, Survey } from "../eye";
import type { LashMap, WornLashes } from "../map";
import { progressOf, type ZoneDone } from "../placing/progress";
import { placementPlan, type PlannedSpot } from "../placing/placementPlan";
import type { PlacingWork } from "../placing/work";
import { gapPlan } from "./gapPlan";
import { keptOf } from "./keptOf";
import type { FillWork, LeftCounted } from "./work";

/**
 * What the client leaves with, zone by zone of the map that was worked: what was counted as left and not taken off, with what
 * was placed between it. Where no lash was tapped, what the map asks for there was placed: a zone that is said to be done
 * tells when, not that another was not. At a fill a zone is known only where it was counted; at a new set all of it is.
 */
export function wornAtEnd(
  map: LashMap,
  survey: Survey,
  work: { readonly fill: FillWork; readonly placing: PlacingWork; readonly zonesDone: readonly ZoneDone[] },
  isFill: boolean,
): WornLashes {
  const whole = placementPlan(map, survey);
  const gaps = gapPlan(map, survey, isFill ? keptOf(work.fill) : []);
  const progress = progressOf(gaps, work.placing, work.zonesDone);
  const isTapped = work.placing.lashes.length > 0;
  const zones = new Map<string, WornLashes["zones"][number]>();
  whole.spots.forEach((spot, i) => {
    const { side, layer, zone, isFan } = spot;
    const kept = spot.slots.filter((place) => gaps.kept[side].has(place)).length;
    const n = kept + (isTapped ? progress.of(spot).placed : gaps.spots[i]!.planned);
    const key = `${side} ${layer} ${zone}`;
    const isKnown = !isFill || isCounted(work.fill.counted, spot);
    const known = zones.get(key) ?? { side, layer, zone, singles: 0, fans: 0, isKnown };
    zones.set(key, { ...known, singles: known.singles + (isFan ? 0 : n), fans: known.fans + (isFan ? n : 0) });
  });
  return { version: 2, zones: [...zones.values()] };
}

/** Was what stood there counted? By a zone of its own kind of layer over its middle; where the set had no such layer, by any. */
function isCounted(counted: readonly LeftCounted[], { side, role, from, to }: PlannedSpot): boolean {
  const ofEye = counted.filter((one) => one.side === side);
  const own = ofEye.filter((one) => one.role === role);
  const middle = (from + to) / 2;
  return (own.length > 0 ? own : ofEye).some((one) => one.from <= middle && middle <= one.to);
}

/** Lashes of each eye that were on as the client left. */
export const wornOn = ({ zones }: WornLashes, side: Side): number =>
  zones.reduce((sum, zone) => sum + (zone.side === side ? zone.singles + zone.fans : 0), 0);
