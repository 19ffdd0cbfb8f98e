import { otherSide, type Side } from "../eye";
import { baseIndex } from "./layers";
import type { LashMap, Layer, School, ZoneFibre } from "./schema";

const withLayer = (map: LashMap, side: Side, index: number, layer: Layer): LashMap => ({
  ...map,
  eyes: { ...map.eyes, [side]: { layers: map.eyes[side].layers.map((old, i) => (i === index ? layer : old)) } },
});

/** The map with one zone's fibre changed; null leaves the zone bare. The old map is untouched. Base layer unless said. */
export function setZone(map: LashMap, side: Side, index: number, fibre: ZoneFibre | null, layer = baseIndex(map, side)): LashMap {
  const old = map.eyes[side].layers[layer];
  if (!old || index < 0 || index >= old.zones.length) return map;
  return withLayer(map, side, layer, { ...old, zones: old.zones.map((zone, i) => (i === index ? fibre : zone)) });
}

/** The map with one zone's length changed; a bare zone takes up its neighbour's fibre or the map's own. */
export function setZoneLength(map: LashMap, side: Side, index: number, lengthMm: number | null, layer = baseIndex(map, side)): LashMap {
  if (lengthMm === null) return setZone(map, side, index, null, layer);
  const old = map.eyes[side].layers[layer];
  const kind = old?.role === "accent" ? map.accents?.fibre : old?.role === "under" ? map.under?.fibre : undefined;
  const fibre: ZoneFibre = old?.zones[index] ?? { ...(kind ?? map.fibre), lengthMm };
  // A class of shorter lashes never wears more than the rest of its zone.
  const classes = fibre.classes?.map((c) => ({ ...c, lengthMm: c.lengthMm === null ? null : Math.min(c.lengthMm, lengthMm) }));
  const support = fibre.support ? { support: { ...fibre.support, lengthMm: Math.min(fibre.support.lengthMm, lengthMm) } } : {};
  return setZone(map, side, index, { ...fibre, lengthMm, ...(classes ? { classes } : {}), ...support }, layer);
}

/** The eyes changed over: what the right wore the left wears. Twice is the same map again. */
export function mirrorMap(map: LashMap): LashMap {
  const swap = <T>({ right, left }: { right: T; left: T }) => ({ right: left, left: right });
  return {
    ...map,
    ...(map.school.id === "own" ? { school: { id: "own", ...swap(map.school) } } : {}),
    ...(map.landmarks ? { landmarks: swap(map.landmarks) } : {}),
    eyes: swap(map.eyes),
  };
}

/** The narrowest zone there may be, as a fraction of the lash line: under half a millimetre. */
export const NARROWEST_ZONE = 0.016;

/** Once zones are drawn by hand, that is the school the map is planned by. */
const drawnByHand = (map: LashMap): LashMap => {
  const edges = (side: Side) => [...map.eyes[side].layers[baseIndex(map, side)]!.boundaries];
  return { ...map, school: { id: "own", right: edges("right"), left: edges("left") } satisfies School };
};
const changed = (map: LashMap, side: Side, layer: number, next: Layer): LashMap => {
  const drawn = withLayer(map, side, layer, next);
  return layer === baseIndex(map, side) ? drawnByHand(drawn) : drawn;
};

/** A zone cut in two of the same fibre. The map itself where it is too narrow or full. */
export function splitZone(map: LashMap, side: Side, layer: number, index: number): LashMap {
  const old = map.eyes[side].layers[layer];
  const [from, to] = [old?.boundaries[index], old?.boundaries[index + 1]];
  if (!old || from === undefined || to === undefined || to - from < 2 * NARROWEST_ZONE || old.zones.length >= 40) return map;
  return changed(map, side, layer, {
    ...old,
    boundaries: [...old.boundaries.slice(0, index + 1), (from + to) / 2, ...old.boundaries.slice(index + 1)],
    zones: [...old.zones.slice(0, index + 1), old.zones[index]!, ...old.zones.slice(index + 1)],
  });
}

/** A zone and the next one outwards made one; it keeps the shorter fibre, which suits both. */
export function mergeZones(map: LashMap, side: Side, layer: number, index: number): LashMap {
  const old = map.eyes[side].layers[layer];
  if (!old || index < 0 || index + 1 >= old.zones.length) return map;
  const [a, b] = [old.zones[index] ?? null, old.zones[index + 1] ?? null];
  const kept = !a || !b ? (a ?? b) : a.lengthMm <= b.lengthMm ? a : b;
  return changed(map, side, layer, {
    ...old,
    boundaries: old.boundaries.filter((_, i) => i !== index + 1),
    zones: [...old.zones.slice(0, index), kept, ...old.zones.slice(index + 2)],
  });
}

/** A zone line moved; it stops short of its neighbours, so no zone loses its width. Edge 0 and the last stay put. */
export function moveEdge(map: LashMap, side: Side, layer: number, edge: number, at: number): LashMap {
  const old = map.eyes[side].layers[layer];
  if (!old || edge <= 0 || edge >= old.boundaries.length - 1 || !Number.isFinite(at)) return map;
  const [low, high] = [old.boundaries[edge - 1]! + NARROWEST_ZONE, old.boundaries[edge + 1]! - NARROWEST_ZONE];
  if (low >= high) return map;
  const to = Math.min(high, Math.max(low, at));
  return changed(map, side, layer, { ...old, boundaries: old.boundaries.map((old, i) => (i === edge ? to : old)) });
}

/** What was changed on one eye done to the other too, where its layers are cut alike. */
export function onBothEyes(map: LashMap, side: Side, change: (map: LashMap, side: Side) => LashMap): LashMap {
  const mine = map.eyes[side].layers;
  const theirs = map.eyes[otherSide(side)].layers;
  const alike = mine.length === theirs.length && mine.every((layer, i) => layer.zones.length === theirs[i]!.zones.length);
  const once = change(map, side);
  return alike ? change(once, otherSide(side)) : once;
}

/** The next stocked length up or down from here, mm; below the shortest comes bare (null). */
export function nextStocked(stockedMm: readonly number[], fromMm: number | null, way: 1 | -1): number | null {
  if (way === 1) return stockedMm.find((mm) => mm > (fromMm ?? -1)) ?? fromMm;
  if (fromMm === null) return null;
  return [...stockedMm].reverse().find((mm) => mm < fromMm) ?? null;
}

/** The stocked length nearest to a wish, mm; of two as near, the shorter. Null when nothing is stocked. */
export function nearestStocked(stockedMm: readonly number[], wishMm: number): number | null {
  return stockedMm.reduce<number | null>(
    (best, mm) => (best === null || Math.abs(mm - wishMm) < Math.abs(best - wishMm) ? mm : best),
    null,
  );
}

/** Pulled so far below the shortest in stock, mm, a zone is left bare. */
const BARE_BELOW_MM = 1.5;

/** What a step pulled to a wish comes to: the nearest in stock, or bare (null) well below the shortest or with none. */
export function pulledTo(stockedMm: readonly number[], wishMm: number): number | null {
  const shortest = stockedMm[0];
  return shortest === undefined || wishMm < shortest - BARE_BELOW_MM ? null : nearestStocked(stockedMm, wishMm);
}
