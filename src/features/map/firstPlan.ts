import { clashWords, LOOKS, planMap, type LashMap, type MapWish } from "@/core/map";
import type { MapPage } from "./data";

/** What a map is called until someone gives it a name of their own. */
export const titleOf = (wish: Pick<MapWish, "look" | "fibre">) =>
  `${LOOKS[wish.look].label}, ${wish.fibre.count > 1 ? `${wish.fibre.count}D ` : ""}${wish.fibre.curl} ${wish.fibre.diameterMm.toFixed(2)}`;

/** A first plan for a client: the natural look in the first tray of the shelf. */
export function firstPlan(page: MapPage): { map: LashMap; clash: string | null } | null {
  const tray = page.trays.find(({ curl, diameterMm }) => curl === "C" && diameterMm <= 0.15) ?? page.trays[0];
  if (!tray) return null;
  const fibre = { curl: tray.curl, diameterMm: tray.diameterMm, shape: tray.shape, count: 1 };
  const wish: MapWish = {
    title: titleOf({ look: "natural", fibre }),
    look: "natural",
    school: { id: "browPeak" },
    fibre,
    longestMm: null,
    coupling: "mirrored",
  };
  const plan = planMap(page.survey.document, wish, page.policy, page.trays);
  return plan && { map: plan.map, clash: clashWords(plan.clash) };
}
