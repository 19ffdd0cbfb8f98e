import type { FieldLash } from "../eye";
import type { Fibre } from "../lash";
import type { Placement } from "./placements";

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
