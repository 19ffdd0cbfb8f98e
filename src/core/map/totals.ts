import { SIDES, type Side } from "../eye";
import { mostCount, meanCount, type Fibre } from "../lash";
import type { Policy } from "../policy";
import type { MapFacts } from "./facts";
import { layersInOrder } from "./layers";
import { placements } from "./placements";
import type { Layer } from "./schema";
import { kindLabel, stockedLengths, type TrayKind } from "./stock";

/** Extensions of one zone. */
export type ZoneCount = {
  readonly side: Side;
  readonly layer: number;
  readonly role: Layer["role"];
  readonly index: number;
  readonly lashes: number;
  readonly fans: number;
  readonly fibres: number;
};

/** One length out of one tray, in the order of work. */
export type Pick = {
  readonly kind: TrayKind;
  readonly label: string;
  readonly lengthMm: number;
  readonly lashes: number;
  readonly fibres: number;
  readonly strips: number;
  readonly inStock: boolean;
};

/** Zone with the heaviest load: what the worst lash is asked to carry. */
export type Heaviest = {
  readonly side: Side;
  readonly layer: number;
  readonly role: Layer["role"];
  readonly index: number;
  readonly resting: number;
  readonly day14: number;
  readonly growing: number;
};

export type MapTotals = {
  /** Extensions an eye takes when every usable lash is done. */
  readonly lashes: Readonly<Record<Side, number>>;
  readonly zones: readonly ZoneCount[];
  readonly fans: number;
  readonly fibres: number;
  /** Working time from the pace of a single and a fan, seconds. */
  readonly seconds: number;
  readonly heaviest: Heaviest | null;
  /** Extensions by fibre length, ascending, both eyes. */
  readonly byLength: readonly { readonly lengthMm: number; readonly lashes: number }[];
};

export type PlacingPace = { readonly secondsPerSingle: number; readonly secondsPerFan: number };

/** What a map takes: lashes, fans and fibres by zone and length, the heaviest zone, working time. */
export function mapTotals(facts: MapFacts, pace: PlacingPace = facts.policy): MapTotals {
  const counts = new Map<string, { side: Side; layer: number; index: number; lashes: number; fans: number; fibres: number }>();
  const byLength = new Map<number, number>();
  const lashes = { right: 0, left: 0 };
  let seconds = 0;
  forEachWorn(facts, (side, layer, index, fibre) => {
    const key = `${side} ${layer} ${index}`;
    let count = counts.get(key);
    if (!count) counts.set(key, (count = { side, layer, index, lashes: 0, fans: 0, fibres: 0 }));
    const isFan = mostCount(fibre) > 1;
    count.lashes += 1;
    count.fans += isFan ? 1 : 0;
    count.fibres += meanCount(fibre);
    byLength.set(fibre.lengthMm, (byLength.get(fibre.lengthMm) ?? 0) + 1);
    lashes[side] += 1;
    seconds += isFan ? pace.secondsPerFan : pace.secondsPerSingle;
  });
  const zones = [...counts.values()].map((count): ZoneCount => ({
    ...count,
    role: facts.layers[count.side][count.layer]![count.index]!.role,
    fibres: Math.round(count.fibres),
  }));
  const sum = (of: (zone: ZoneCount) => number) => zones.reduce((total, zone) => total + of(zone), 0);
  return {
    lashes,
    zones,
    fans: sum((zone) => zone.fans),
    fibres: sum((zone) => zone.fibres),
    seconds,
    heaviest: heaviestOf(facts),
    byLength: [...byLength].sort(([a], [b]) => a - b).map(([lengthMm, lashes]) => ({ lengthMm, lashes })),
  };
}

/** The zone whose usual lash is asked to carry most by day 21. */
export function heaviestOf(facts: MapFacts): Heaviest | null {
  let worst: Heaviest | null = null;
  for (const side of SIDES)
    for (const layer of facts.layers[side])
      for (const zone of layer)
        for (const { load } of zone.pieces)
          if (!worst || load.growing > worst.growing) worst = { side, layer: zone.layer, role: zone.role, index: zone.index, ...load };
  return worst;
}

/** Fibres on one strip of a tray: finer ones stand closer, in proportion. */
export function fibresPerStrip({ fibresPerStrip: at015 }: Policy, diameterMm: number): number {
  return Math.max(1, Math.round((at015 * 0.15) / diameterMm));
}

/** What to lay out, in the order of work: layers as the studio places them, in each the lengths from short to long. */
export function pickList(facts: MapFacts, order: Policy["layerOrder"] = facts.policy.layerOrder): Pick[] {
  const inOrder = layersInOrder(order);
  const byFibre = new Map<string, { rank: number; fibre: Fibre; lashes: number; fibres: number }>();
  forEachWorn(facts, (side, layer, _, fibre) => {
    const place = inOrder.indexOf(facts.map.eyes[side].layers[layer]!.role);
    const key = `${kindLabel(fibre)} ${fibre.lengthMm}`;
    const pick = byFibre.get(key) ?? { rank: place, fibre, lashes: 0, fibres: 0 };
    byFibre.set(key, { ...pick, rank: Math.min(pick.rank, place), lashes: pick.lashes + 1, fibres: pick.fibres + meanCount(fibre) });
  });
  return [...byFibre.values()]
    .sort((a, b) => a.rank - b.rank || kindLabel(a.fibre).localeCompare(kindLabel(b.fibre)) || a.fibre.lengthMm - b.fibre.lengthMm)
    .map(({ fibre, lashes, fibres }) => ({
      kind: fibre,
      label: kindLabel(fibre),
      lengthMm: fibre.lengthMm,
      lashes,
      fibres: Math.round(fibres),
      strips: Math.ceil(fibres / fibresPerStrip(facts.policy, fibre.diameterMm)),
      inStock: stockedLengths(facts.trays, fibre).includes(fibre.lengthMm),
    }));
}

function forEachWorn({ map, survey }: MapFacts, visit: (side: Side, layer: number, zone: number, fibre: Fibre) => void): void {
  for (const side of SIDES) for (const { worn } of placements(map, survey, side)) if (worn) visit(side, worn.layer, worn.zone, worn.fibre);
}
