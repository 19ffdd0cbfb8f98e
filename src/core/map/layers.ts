import { sideLabel, SIDES, WIDEST_CORNER, type Side } from "../eye";
import type { Policy } from "../policy";
import { formatMm } from "../units";
import type { FibreKind, Layer, LashMap, ZoneFibre } from "./schema";

/** What a layer is called, and what a zone of it is. */
export const LAYER_LABELS: Readonly<Record<Layer["role"], string>> = { base: "base", accent: "accents", under: "under layer" };
export const ZONE_WORDS: Readonly<Record<Layer["role"], string>> = { base: "zone", accent: "accent", under: "under layer" };

/** Layers in the order a studio places them, as far as its school says: the under layer last whichever it is. */
export const layersInOrder = (order: Policy["layerOrder"]): readonly Layer["role"][] =>
  order === "accentsFirst" ? ["accent", "base", "under"] : ["base", "accent", "under"];

/** What a zone wears, all but its length and what is mixed in. */
export function kindOf({ lengthMm: _length, classes: _classes, support: _support, hybrid: _hybrid, ...kind }: ZoneFibre): FibreKind {
  return kind;
}

/** Both eyes of a map in words, for who cannot see it drawn: "client's right, inner corner to outer: 7 8 9; …", the base alone. */
export const mapInWords = (map: LashMap): string =>
  SIDES.map((side) => {
    const { zones } = map.eyes[side].layers[baseIndex(map, side)]!;
    return `${sideLabel(side)}, inner corner to outer: ${zones.map((zone) => (zone ? lengthWords(zone) : "bare")).join(" ")} mm`;
  }).join("; ");

/** A zone's lengths: "12", or "8/10/12" where lashes are told apart, "–" for those left bare. */
export const lengthWords = ({ lengthMm, classes = [] }: Pick<ZoneFibre, "lengthMm" | "classes">): string =>
  [...classes.map((c) => c.lengthMm), lengthMm].map((mm) => (mm === null ? "–" : formatMm(mm))).join("/");

/** Is a step asked between a zone and the one before? Not beside a wide one whose lashes are told apart: it has no one length. */
export function isStepped({ zones, boundaries }: Pick<Layer, "zones" | "boundaries">, index: number): boolean {
  const byLash = (i: number) => (zones[i]?.classes?.length ?? 0) > 0 && boundaries[i + 1]! - boundaries[i]! > WIDEST_CORNER;
  return !byLash(index) && !byLash(index - 1);
}

/** Which of an eye's layers fills the lash line. Every map has one; its first stands in if none is called so. */
export function baseIndex(map: LashMap, side: Side): number {
  return Math.max(
    0,
    map.eyes[side].layers.findIndex((layer) => layer.role === "base"),
  );
}

/** The layer that fills the lash line. */
export function baseLayer(map: LashMap, side: Side): Layer {
  return map.eyes[side].layers[baseIndex(map, side)]!;
}

/** Which zone of a layer a place of the lash line lies in. */
export function zoneIndexAt({ boundaries, zones }: Pick<Layer, "boundaries" | "zones">, at: number): number {
  for (let i = 0; i < zones.length; i++) if (at <= boundaries[i + 1]!) return i;
  return zones.length - 1;
}

/** Mean length of a layer over a stretch, bare zones left out, mm; null where all of it is bare. */
export function meanLength(layer: Layer, from: number, to: number): number | null {
  const samples = 24;
  const zones = Array.from({ length: samples }, (_, i) => layer.zones[zoneIndexAt(layer, from + ((i + 0.5) / samples) * (to - from))]);
  const worn = zones.flatMap((zone) => (zone ? [zone.lengthMm] : []));
  return worn.length ? worn.reduce((sum, mm) => sum + mm, 0) / worn.length : null;
}

/** The fibre of the base layer at a place of the lash line, or null where it is bare. */
export function fibreAt(map: LashMap, side: Side, at: number): ZoneFibre | null {
  const layer = baseLayer(map, side);
  return layer.zones[zoneIndexAt(layer, at)] ?? null;
}
