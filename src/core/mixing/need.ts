import type { Area } from "../eye/areas";
import { DENSITIES } from "../eye/classes";

/** Share of a full pair of lashes that an area takes of a mix. A model of this product; the pair of lashes is common practice. */
const AREA_SHARE: Record<Area, number> = { lashRight: 0.5, lashLeft: 0.5, browRight: 0.4, browLeft: 0.4 };
/** How hair density scales it. A model of this product. */
const DENSITY_SHARE: Record<keyof typeof DENSITIES, number> = { sparse: 0.8, usual: 1, dense: 1.25 };

export type Need = { readonly areas: readonly Area[]; readonly density: keyof typeof DENSITIES };

/** How much of a recipe an area and its hair take. `needShare({ areas: ["lashRight", "lashLeft"], density: "usual" })` → 1 */
export function needShare({ areas, density }: Need): number {
  return areas.reduce((sum, area) => sum + AREA_SHARE[area], 0) * DENSITY_SHARE[density];
}
