import { SIDES, type Side, type Survey } from "../eye";
import type { Fibre } from "../lash";
import type { Policy } from "../policy";
import { baseLayer } from "./layers";
import type { LashMap } from "./schema";
import { stockedLengths } from "./stock";
import type { Tray } from "./tray";
import { zoneLimit, type ZoneLimit } from "./zoneLimit";

/** Everything a rule may look at. */
export type MapContext = { readonly survey: Survey; readonly policy: Policy; readonly trays: readonly Tray[] };

/** One zone of the base layer with what is known of it. */
export type ZoneFacts = {
  readonly side: Side;
  readonly index: number;
  readonly from: number;
  readonly to: number;
  readonly fibre: Fibre | null;
  readonly limit: ZoneLimit;
  /** Lengths in stock for its fibre (for the map's fibre where it is bare), mm ascending. */
  readonly stockedMm: readonly number[];
};

export type MapFacts = MapContext & { readonly map: LashMap; readonly zones: Readonly<Record<Side, readonly ZoneFacts[]>> };

/** The base layer's zones, inner corner first, each with its limits: reckoned once, read by every rule and view. */
export function mapFacts(map: LashMap, context: MapContext): MapFacts {
  const zonesOf = (side: Side): ZoneFacts[] => {
    const layer = baseLayer(map, side);
    return layer.zones.map((fibre, index) => {
      const [from, to] = [layer.boundaries[index]!, layer.boundaries[index + 1]!];
      const edges = { from, to, first: index === 0, last: index === layer.zones.length - 1 };
      return {
        side,
        index,
        from,
        to,
        fibre,
        limit: zoneLimit(context.survey.eyes[side], edges, context.policy),
        stockedMm: stockedLengths(context.trays, fibre ?? map.fibre),
      };
    });
  };
  const [right, left] = SIDES.map(zonesOf) as [ZoneFacts[], ZoneFacts[]];
  return { ...context, map, zones: { right, left } };
}
