import type { Survey } from "../eye";
import { shareOn } from "../growth";
import { FULL_GROWN_PERCENTILE, zoneLimit, wornLashes, type LashMap, type WornLashes } from "../map";
import { placementPlan } from "../placing/placementPlan";
import type { Policy } from "../policy";
import { offIn } from "./keptOf";
import { stopsAtMm } from "./stopsAt";
import type { LeftInZone } from "./takeOff";
import { isSameZone, type FillWork, type FoundZone, type LeftCounted } from "./work";

/**
 * The set a fill finds: which visit it left with, when, by which map and on which lashes, and what was on then. Of one put on
 * elsewhere neither visit nor day is known, and map and count are those of the map it is filled by.
 */
export type SetBefore = {
  readonly visitId: string | null;
  readonly leftAtMs: number | null;
  readonly map: LashMap;
  readonly survey: Survey;
  readonly worn: WornLashes;
};

/** A zone of the set before as the fill meets it. */
export type ZoneFound = FoundZone & {
  readonly role: LeftCounted["role"];
  readonly from: number;
  readonly to: number;
  /** On as the client left; whether that is known, or what the map asks for. */
  readonly worn: number;
  readonly isKnown: boolean;
  /** What a bond's usual loss and the cycle leave of it; beside the count, never in its place. Null where its day is not known. */
  readonly expected: number | null;
  readonly counted: LeftCounted | null;
  readonly off: number;
};

/** What nature and bonds are expected to have taken by some days. */
export type ExpectedLoss = {
  readonly days: number | null;
  readonly hazardPerDay: number;
  readonly bareBelowDays: number;
  readonly cycleDays: number;
};

/** The zones of a set before, in the order of eye, layer and zone, with what was counted of each and what may be expected. */
export function zonesFound({ map, worn }: SetBefore, fill: FillWork, expected: ExpectedLoss): ZoneFound[] {
  const { days, hazardPerDay, bareBelowDays, cycleDays } = expected;
  const share = days === null ? null : shareOn(days, hazardPerDay, bareBelowDays, cycleDays);
  return worn.zones.flatMap(({ side, layer, zone, singles, fans, isKnown }): ZoneFound[] => {
    const planned = map.eyes[side].layers[layer];
    const [from, to] = [planned?.boundaries[zone - 1], planned?.boundaries[zone]];
    const n = singles + fans;
    if (!planned || from === undefined || to === undefined || n === 0) return [];
    const at = { side, layer, zone };
    return [
      {
        ...at,
        role: planned.role,
        from,
        to,
        worn: n,
        isKnown,
        expected: share === null ? null : Math.round(n * share),
        counted: fill.counted.find((one) => isSameZone(one, at)) ?? null,
        off: offIn(fill, at),
      },
    ];
  });
}

/** What of it was counted, with how far its lashes still grow and where the load of the heaviest fibre there is one to stop at. */
export function leftInZones({ leftAtMs, map, survey }: SetBefore, zones: readonly ZoneFound[], policy: Policy): LeftInZone[] {
  const { spots } = placementPlan(map, survey);
  return zones.flatMap(({ counted, ...zone }): LeftInZone[] => {
    if (!counted) return [];
    const { side, layer, from, to } = zone;
    const last = map.eyes[side].layers[layer]!.zones.length;
    const { natural } = zoneLimit(survey.eyes[side], { from, to, first: zone.zone === 1, last: zone.zone === last }, policy);
    const fullMm = natural.quantileMm(FULL_GROWN_PERCENTILE);
    // Of a set from elsewhere nobody knows which fibre it is.
    const stops = (leftAtMs === null ? [] : spots)
      .filter((spot) => isSameZone(spot, zone))
      .flatMap(({ fibre }) => stopsAtMm(fibre, natural.diameterMm, fullMm, policy) ?? []);
    return [
      {
        side,
        layer,
        zone: zone.zone,
        planned: zone.worn,
        left: counted.left,
        twisted: counted.twisted ?? 0,
        outgrown: counted.outgrown,
        lacking: (mm) => 1 - natural.shareAtLeast(fullMm - mm),
        stopsAtMm: stops.length === 0 ? null : Math.min(...stops),
      },
    ];
  });
}

/** A set that was put on elsewhere, filled by a map of the client's: its zones are counted, nothing is expected of them. */
export function setFromElsewhere(map: LashMap, survey: Survey): SetBefore {
  const worn = wornLashes(map, survey);
  return { visitId: null, leftAtMs: null, map, survey, worn: { ...worn, zones: worn.zones.map((zone) => ({ ...zone, isKnown: false })) } };
}

/** What was counted of what was worn, over the zones that were counted. Null where there is none. */
export function countedShare(zones: readonly ZoneFound[]): { readonly left: number; readonly worn: number } | null {
  const counted = zones.filter((zone) => zone.counted !== null);
  if (counted.length === 0) return null;
  return {
    left: counted.reduce((sum, zone) => sum + zone.counted!.left, 0),
    worn: counted.reduce((sum, { worn }) => sum + worn, 0),
  };
}
