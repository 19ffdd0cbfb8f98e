import type { Side } from "../eye";
import type { Fibre } from "../lash";
import { baseLayer } from "./layers";
import type { LashMap } from "./schema";

/** The map with one base zone's fibre changed; null leaves the zone bare. The old map is untouched. */
export function setZone(map: LashMap, side: Side, index: number, fibre: Fibre | null): LashMap {
  const base = baseLayer(map, side);
  if (index < 0 || index >= base.zones.length) return map;
  const zones = base.zones.map((zone, i) => (i === index ? fibre : zone));
  const layers = map.eyes[side].layers.map((layer) => (layer === base ? { ...layer, zones } : layer));
  return { ...map, eyes: { ...map.eyes, [side]: { layers } } };
}

/** The map with one zone's length changed; a bare zone takes up the map's own fibre. */
export function setZoneLength(map: LashMap, side: Side, index: number, lengthMm: number | null): LashMap {
  const fibre = baseLayer(map, side).zones[index] ?? map.fibre;
  return setZone(map, side, index, lengthMm === null ? null : { ...fibre, lengthMm });
}

/** The eyes changed over: what the right wore the left wears. Twice is the same map again. */
export function mirrorMap(map: LashMap): LashMap {
  return { ...map, eyes: { right: map.eyes.left, left: map.eyes.right } };
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
