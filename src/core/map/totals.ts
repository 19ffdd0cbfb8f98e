import { SIDES, type Side } from "../eye";
import type { MapFacts } from "./facts";

export type MapTotals = {
  /** Extensions an eye takes when every usable lash is done. */
  readonly lashes: Readonly<Record<Side, number>>;
  readonly heaviest: { readonly side: Side; readonly index: number; readonly resting: number; readonly growing: number } | null;
  /** Extensions by fibre length, ascending, both eyes. */
  readonly byLength: readonly { readonly lengthMm: number; readonly lashes: number }[];
};

/** What a map takes: lashes an eye, the heaviest zone, extensions by length. */
export function mapTotals({ zones }: MapFacts): MapTotals {
  const worn = SIDES.flatMap((side) => zones[side]).filter((zone) => zone.fibre);
  const lashesOf = (side: Side) => worn.filter((zone) => zone.side === side).reduce((sum, zone) => sum + zone.limit.natural.lashes, 0);
  const heaviest = worn
    .map((zone) => ({ side: zone.side, index: zone.index, ...zone.limit.loadOf(zone.fibre!) }))
    .sort((a, b) => b.growing - a.growing)[0];
  const lengths = [...new Set(worn.map((zone) => zone.fibre!.lengthMm))].sort((a, b) => a - b);
  return {
    lashes: { right: lashesOf("right"), left: lashesOf("left") },
    heaviest: heaviest ?? null,
    byLength: lengths.map((lengthMm) => ({
      lengthMm,
      lashes: worn.filter((zone) => zone.fibre!.lengthMm === lengthMm).reduce((sum, zone) => sum + zone.limit.natural.lashes, 0),
    })),
  };
}
