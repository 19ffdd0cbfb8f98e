import type { Survey } from "../eye";
import type { Policy } from "../policy";
import { mapTitle } from "./mapTitle";
import type { MapWish } from "./planGround";
import { planMap, type MapPlan } from "./planMap";
import type { LashMap } from "./schema";
import type { Tray } from "./tray";

/** The choices a map was planned from. */
export function wishOf(map: LashMap): MapWish {
  const { version: _version, differsOnPurpose: _differs, eyes: _eyes, ...wish } = map;
  return wish;
}

/** Singles up to this thickness are what a first plan is made in, mm. Common practice. */
const CLASSIC_UP_TO_MM = 0.15;

/**
 * A first plan for a client: last visit's choices where there was one, else the natural look in singles of C, the
 * thickest on the shelf in which these lashes carry their own length. Null where the shelf holds nothing to plan in.
 */
export function firstPlan(survey: Survey, last: LashMap | null, policy: Policy, trays: readonly Tray[]): MapPlan | null {
  const plan = (wish: MapWish) => planMap(survey, { ...wish, title: mapTitle(wish) }, policy, trays);
  const again = last && plan(wishOf(last));
  if (again) return again;
  const classic = trays.filter(({ curl, diameterMm }) => curl === "C" && diameterMm <= CLASSIC_UP_TO_MM);
  let thickest: MapPlan | null = null;
  for (const { curl, diameterMm, shape, colour } of (classic.length ? [...classic] : trays.slice(0, 1)).sort(
    (a, b) => b.diameterMm - a.diameterMm,
  )) {
    const fibre = { curl, diameterMm, shape, count: 1, ...(colour ? { colour } : {}) };
    const planned = plan({ title: "", look: "natural", school: { id: "browPeak" }, fibre, longestMm: null, coupling: "mirrored" });
    if (planned && !planned.breaches.some(({ limit }) => limit === "natural")) return planned;
    thickest ??= planned;
  }
  return thickest;
}
