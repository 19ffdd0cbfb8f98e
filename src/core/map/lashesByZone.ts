import type { FieldLash, Side, Survey } from "../eye";
import { FIBRE_COLOURS, type Fibre } from "../lash";
import { placements, type Placement } from "./placements";
import type { LashMap } from "./schema";

/** The extensions of one zone of one layer as they are drawn, with what tells whether they must be drawn anew. */
export type ZoneLashes = {
  readonly layer: number;
  readonly zone: number;
  readonly worn: readonly { readonly lash: FieldLash; readonly fibre: Fibre }[];
};

/** The placements of an eye gathered by layer and zone, in the order of the lash line. */
export function lashesByZone(placed: readonly Placement[]): ZoneLashes[] {
  const zones = new Map<string, { layer: number; zone: number; worn: { lash: FieldLash; fibre: Fibre }[] }>();
  for (const { lash, worn } of placed) {
    if (!worn) continue;
    const key = `${worn.layer} ${worn.zone}`;
    const known = zones.get(key);
    if (known) known.worn.push({ lash, fibre: worn.fibre });
    else zones.set(key, { layer: worn.layer, zone: worn.zone, worn: [{ lash, fibre: worn.fibre }] });
  }
  return [...zones.values()];
}

/** The zones of an eye as they are drawn, back to front: accents stand over what lies under them. */
export function zonesBackToFront(map: LashMap, survey: Survey, side: Side): ZoneLashes[] {
  const isAccent = ({ layer }: ZoneLashes) => Number(map.eyes[side].layers[layer]!.role === "accent");
  return lashesByZone(placements(map, survey, side)).sort((a, b) => isAccent(a) - isAccent(b));
}

/** The ink a zone's fibres are drawn in: their colour's own, or null where they are black and drawn in the drawing's ink. */
export function inkOf({ worn }: ZoneLashes): string | null {
  const colour = worn[0]?.fibre.colour;
  return colour && colour !== "black" ? FIBRE_COLOURS[colour].ink : null;
}
