import { grownMm } from "../growth";
import { mostCount, type Fibre } from "../lash";
import { loadIndex } from "../load";
import { FULL_GROWN_PERCENTILE, GROWING_ALLOWANCE, zoneLimit } from "../map";
import { placementPlan } from "../placing/placementPlan";
import type { Policy } from "../policy";
import type { SetBefore, ZoneFound } from "./setBefore";
import { isSameZone, type FoundZone } from "./work";

/** The lash of a set that carries most by now, were it a young one that has grown all the while. */
export type WorstLash = FoundZone & {
  readonly fibre: Fibre;
  readonly natural: { readonly angleDeg: number; readonly ownCurlDeg: number; readonly meanMm: number };
  /** How far its attachment stands beyond where it was set, mm. */
  readonly movedOutMm: number;
  /** Load index as it was set, as it stands now, and what one stops at on a growing lash. */
  readonly loadSet: number;
  readonly loadNow: number;
  readonly stopsAt: number;
};

/** Of the zones that may still wear something, the lash with the highest load index now; null where there is none, or its day is not known. */
export function worstLash({ map, survey }: SetBefore, zones: readonly ZoneFound[], days: number | null, policy: Policy): WorstLash | null {
  if (days === null) return null;
  const { spots } = placementPlan(map, survey);
  const all = zones.flatMap((zone) => {
    if ((zone.counted?.left ?? zone.expected) === 0) return [];
    const { side, layer, from, to } = zone;
    const last = map.eyes[side].layers[layer]!.zones.length;
    const { natural } = zoneLimit(survey.eyes[side], { from, to, first: zone.zone === 1, last: zone.zone === last }, policy);
    // Of its lashes the shortest twentieth is as young as the longest is full grown.
    const lacksMm = natural.quantileMm(FULL_GROWN_PERCENTILE) - natural.quantileMm(1 - FULL_GROWN_PERCENTILE);
    const movedOutMm = grownMm(days, lacksMm);
    return spots
      .filter((spot) => isSameZone(spot, zone))
      .map(({ fibre }): WorstLash => {
        const load = (movedMm: number) =>
          loadIndex({ ...fibre, count: mostCount(fibre) }, natural.diameterMm, policy.attachmentOffsetMm + movedMm);
        return {
          side,
          layer,
          zone: zone.zone,
          fibre,
          natural,
          movedOutMm,
          loadSet: load(0),
          loadNow: load(movedOutMm),
          stopsAt: policy.loadRed * GROWING_ALLOWANCE,
        };
      });
  });
  return all.reduce<WorstLash | null>((worst, one) => (worst && worst.loadNow >= one.loadNow ? worst : one), null);
}
