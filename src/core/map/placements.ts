import { fieldOf, type FieldLash, type Side, type Survey } from "../eye";
import type { Fibre } from "../lash";
import { baseIndex, zoneIndexAt } from "./layers";
import type { LashMap, Layer, ZoneFibre } from "./schema";

/** One natural lash with what it wears by a map, or null where it is left alone. */
export type Placement = {
  readonly lash: FieldLash;
  readonly worn: { readonly layer: number; readonly zone: number; readonly fibre: Fibre } | null;
};

/** A baby lash gets this or shorter in a fine fibre, or is left alone. Common practice. */
export const BABY_WEARS = { upToMm: 7, diameterMm: 0.07 } as const;

/**
 * Which natural lash wears what: every lash of the eye from the inner corner outwards, one extension at most on each.
 * Accents take every so many lashes first, the under layer the lowest row, the base the rest.
 */
export function placements(map: LashMap, survey: Survey, side: Side): readonly Placement[] {
  const field = fieldOf(survey, side);
  const eye = map.eyes[side];
  const known = placed.get(eye);
  if (known?.field === field) return known.placements;
  const worn = wornBy(map, side, field);
  const candidates = field.map((lash, i) => ({ lash, worn: worn[i]! }));
  placed.set(eye, { field, placements: candidates });
  return candidates;
}

/** Drawings, totals and darkness ask for the same eye's placements; they are found once a change. */
const placed = new WeakMap<LashMap["eyes"][Side], { field: readonly FieldLash[]; placements: readonly Placement[] }>();

function wornBy(map: LashMap, side: Side, field: readonly FieldLash[]): Placement["worn"][] {
  const { layers } = map.eyes[side];
  const base = baseIndex(map, side);
  const accents = layers.flatMap((layer, index) => (layer.role === "accent" ? [{ layer, index, passed: 0 }] : []));
  const unders = layers.flatMap((layer, index) => (layer.role === "under" ? [{ layer, index }] : []));
  const seen = layers.map(() => new Map<number, number>());
  const wear = (index: number, layer: Layer, lash: FieldLash): Placement["worn"] => {
    const zone = zoneIndexAt(layer, lash.at);
    const planned = layer.zones[zone];
    if (!planned) return null;
    const nth = seen[index]!.get(zone) ?? 0;
    const fibre = fibreOf(planned, lash, nth);
    if (lash.baby && (fibre.lengthMm > BABY_WEARS.upToMm || fibre.diameterMm > BABY_WEARS.diameterMm)) return null;
    seen[index]!.set(zone, nth + 1);
    return { layer: index, zone, fibre };
  };
  return field.map((lash) => {
    if (!lash.baby)
      for (const accent of accents) {
        const zone = accent.layer.zones[zoneIndexAt(accent.layer, lash.at)];
        const nth = accent.passed++;
        if (zone && isAccent(accent.layer, lash, nth)) return wear(accent.index, accent.layer, lash);
      }
    for (const under of unders)
      if (lash.rows > 1 && lash.row === lash.rows - 1 && under.layer.zones[zoneIndexAt(under.layer, lash.at)])
        return wear(under.index, under.layer, lash);
    return wear(base, layers[base]!, lash);
  });
}

/** Is the nth lash passed one of those an accent layer takes? On a single row there are no clusters. */
function isAccent({ placing }: Layer, lash: FieldLash, nth: number): boolean {
  if (!placing) return true;
  return lash.rows === 1 ? nth % placing.innerEvery === 0 : nth % placing.every < placing.cluster;
}

/** What one lash of a zone wears: by its own length where the zone tells lashes apart, or what is mixed in. */
function fibreOf(planned: ZoneFibre, lash: FieldLash, nth: number): Fibre {
  if (planned.hybrid && isMixed(planned.hybrid, lash, nth)) return planned.hybrid.fibre;
  const shorter = planned.classes?.findIndex(({ upToMm }) => lash.lengthMm <= upToMm) ?? -1;
  return fibresOf(planned)[shorter + 1]!;
}

/** The zone's own fibre, then that of each class: one object each, so that what did not change is seen not to have. */
function fibresOf(planned: ZoneFibre): readonly Fibre[] {
  const known = fibres.get(planned);
  if (known) return known;
  const { classes = [], hybrid: _, ...main } = planned;
  const made = [main, ...classes.map(({ lengthMm }) => ({ ...main, lengthMm }))];
  fibres.set(planned, made);
  return made;
}
const fibres = new WeakMap<ZoneFibre, readonly Fibre[]>();

function isMixed({ share, pattern }: NonNullable<ZoneFibre["hybrid"]>, lash: FieldLash, nth: number): boolean {
  if (pattern === "scattered") return lash.chance + 0.5 < share;
  if (pattern === "lowerRow" && lash.rows > 1) return lash.row === lash.rows - 1;
  return Math.floor((nth + 1) * share) > Math.floor(nth * share);
}
