import type { Side } from "../eye";
import type { Fibre } from "../lash";
import type { LashMap } from "./schema";

/** The layer that fills the lash line. Every map has one; its first layer stands in if none is called so. */
export function baseLayer(map: LashMap, side: Side) {
  const layers = map.eyes[side].layers;
  return layers.find((layer) => layer.role === "base") ?? layers[0]!;
}

/** The fibre of the base layer at a place of the lash line, or null where it is bare. */
export function fibreAt(map: LashMap, side: Side, at: number): Fibre | null {
  const { boundaries, zones } = baseLayer(map, side);
  const index = Math.min(
    zones.length - 1,
    boundaries.slice(1).findIndex((edge) => at <= edge),
  );
  return zones[index] ?? null;
}
