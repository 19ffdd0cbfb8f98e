import { planWords, mapTitle, planMap, type LashMap, type MapWish } from "@/core/map";
import type { MapPage } from "./data";

/** The choices a map was planned from. */
export function wishOf(map: LashMap): MapWish {
  const { version: _version, differsOnPurpose: _differs, eyes: _eyes, ...wish } = map;
  return wish;
}

/** Singles up to this thickness are what a first plan is made in, mm. Common practice. */
const CLASSIC_UP_TO_MM = 0.15;

/**
 * A first plan for a client: last visit's choices where there was one, else the natural look in singles of C, the
 * thickest on the shelf in which these lashes carry their own length.
 */
export function firstPlan(page: MapPage): { map: LashMap; notKept: readonly string[] } | null {
  const plan = (wish: MapWish) => planMap(page.survey.document, wish, page.policy, page.trays);
  const last = page.last ? wishOf(page.last) : null;
  const again = last && plan({ ...last, title: mapTitle(last) });
  if (again) return { map: again.map, notKept: planWords(again) };
  const classic = page.trays.filter(({ curl, diameterMm }) => curl === "C" && diameterMm <= CLASSIC_UP_TO_MM);
  const plans = (classic.length ? classic : page.trays.slice(0, 1))
    .toSorted((a, b) => b.diameterMm - a.diameterMm)
    .flatMap(({ curl, diameterMm, shape, colour }) => {
      const fibre = { curl, diameterMm, shape, count: 1, ...(colour ? { colour } : {}) };
      const planned = plan({
        title: mapTitle({ look: "natural", fibre }),
        look: "natural",
        school: { id: "browPeak" },
        fibre,
        longestMm: null,
        coupling: "mirrored",
      });
      return planned ? [planned] : [];
    });
  const best = plans.find(({ breaches }) => !breaches.some(({ limit }) => limit === "natural")) ?? plans[0];
  return best ? { map: best.map, notKept: planWords(best) } : null;
}
