import { fibreMassMg, mostCount } from "../lash";
import { momentMgMm } from "../load";
import type { MapFacts, ZoneFacts } from "./facts";
import { GROWING_ALLOWANCE, type Load } from "./zoneLimit";

/** What a lash is asked to carry: the index that limits are read from, the moment at the lid, or the mass alone. */
export type LoadQuantity = "index" | "moment" | "mass";
export type LoadDay = keyof Load;

/** The most that any lash of a zone carries: index as a multiple of the ordinary classic lash, moment in mg·mm, mass in mg. */
export function zoneLoad(
  { pieces }: Pick<ZoneFacts, "pieces">,
  quantity: LoadQuantity,
  day: LoadDay,
  { attachmentOffsetMm }: MapFacts["policy"],
): number {
  return Math.max(
    0,
    ...pieces.map(({ fibre, load }) => {
      const heaviest = { ...fibre, count: mostCount(fibre) };
      if (quantity === "index") return load[day];
      if (quantity === "mass") return fibreMassMg(heaviest);
      // The moment grows as the index does: by how far the lash has carried it from the lid.
      return momentMgMm(heaviest, attachmentOffsetMm) * (load[day] / load.resting);
    }),
  );
}

/** From where caution and stop are given on a day; later days judge growing lashes, with both raised. */
export function loadBands(
  { map, policy }: Pick<MapFacts, "map" | "policy">,
  day: LoadDay,
): { readonly amber: number; readonly red: number } {
  const allowance = day === "resting" ? 1 : GROWING_ALLOWANCE;
  return { amber: (mostCount(map.fibre) > 1 ? policy.loadAmberFan : policy.loadAmber) * allowance, red: policy.loadRed * allowance };
}
