import { fieldOf, type FieldLash, type Side, type Survey } from "../eye";
import type { Fibre } from "../lash";
import { accentLashes } from "./accentLashes";
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
 * Accents take the longest of every few lashes first, the under layer the lowest row, the base the rest.
 */
export function placements(map: LashMap, survey: Survey, side: Side): readonly Placement[] {
  const field = fieldOf(survey, side);
  const eye = map.eyes[side];
  const known = placed.get(eye);
  if (known?.field === field) return known.placements;
  const worn = wornBy(map, survey, side, field);
  const candidates = field.map((lash, i) => ({ lash, worn: worn[i]! }));
  placed.set(eye, { field, placements: candidates });
  return candidates;
}

/** Drawings, totals and darkness ask for the same eye's placements; they are found once a change. */
const placed = new WeakMap<LashMap["eyes"][Side], { field: readonly FieldLash[]; placements: readonly Placement[] }>();

function wornBy(map: LashMap, survey: Survey, side: Side, field: readonly FieldLash[]): Placement["worn"][] {
  const { layers } = map.eyes[side];
  const base = baseIndex(map, side);
  const accents = layers.flatMap((layer, index) =>
    layer.role === "accent" ? [{ layer, index, picked: layer.placing ? new Set(accentLashes(survey, side, layer.placing)) : null }] : [],
  );
  const unders = layers.flatMap((layer, index) => (layer.role === "under" ? [{ layer, index }] : []));
  const seen = layers.map(() => new Map<number, number>());
  const wear = (index: number, layer: Layer, lash: FieldLash): Placement["worn"] => {
    const zone = zoneIndexAt(layer, lash.at);
    const planned = layer.zones[zone];
    if (!planned) return null;
    const nth = seen[index]!.get(zone) ?? 0;
    const fibre = fibreOf(planned, lash, nth);
    if (!fibre) return null;
    if (lash.baby && (fibre.lengthMm > BABY_WEARS.upToMm || fibre.diameterMm > BABY_WEARS.diameterMm)) return null;
    seen[index]!.set(zone, nth + 1);
    return { layer: index, zone, fibre };
  };
  return field.map((lash) => {
    if (!lash.baby)
      for (const accent of accents) {
        const zone = accent.layer.zones[zoneIndexAt(accent.layer, lash.at)];
        if (zone && (accent.picked?.has(lash) ?? true)) return wear(accent.index, accent.layer, lash);
      }
    for (const under of unders)
      if (lash.rows > 1 && lash.row === lash.rows - 1 && under.layer.zones[zoneIndexAt(under.layer, lash.at)])
        return wear(under.index, under.layer, lash);
    return wear(base, layers[base]!, lash);
  });
}

/** What one lash of a zone wears: by its own length where the zone tells lashes apart, the short ones spread through, or what is mixed in. */
function fibreOf(planned: ZoneFibre, lash: FieldLash, nth: number): Fibre | null {
  if (planned.hybrid && isMixed(planned.hybrid, lash, nth)) return planned.hybrid.fibre;
  const shorter = planned.classes?.findIndex(({ upToMm }) => lash.lengthMm <= upToMm) ?? -1;
  const { own, support } = fibresOf(planned);
  const fibre = own[shorter + 1]!;
  const isSupport = support && fibre && fibre.lengthMm > support.lengthMm && nth % planned.support!.every === planned.support!.every - 1;
  return isSupport ? support : fibre;
}

/** The zone's own fibre, then that of each class, and its support: one object each, so that what did not change is seen not to have. */
function fibresOf(planned: ZoneFibre): { readonly own: readonly (Fibre | null)[]; readonly support: Fibre | null } {
  const known = fibres.get(planned);
  if (known) return known;
  const { classes = [], hybrid: _, support, ...main } = planned;
  const made = {
    own: [main, ...classes.map(({ lengthMm }) => (lengthMm === null ? null : { ...main, lengthMm }))],
    support: support ? { ...main, lengthMm: support.lengthMm } : null,
  };
  fibres.set(planned, made);
  return made;
}
const fibres = new WeakMap<ZoneFibre, ReturnType<typeof fibresOf>>();

function isMixed({ share, pattern }: NonNullable<ZoneFibre["hybrid"]>, lash: FieldLash, nth: number): boolean {
  if (pattern === "scattered") return lash.chance + 0.5 < share;
  if (pattern === "lowerRow" && lash.rows > 1) return lash.row === lash.rows - 1;
  return Math.floor((nth + 1) * share) > Math.floor(nth * share);
}
