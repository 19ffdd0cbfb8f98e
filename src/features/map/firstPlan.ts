import { planWords, mapTitle, planMap, type LashMap, type MapWish } from "@/core/map";
import type { MapPage } from "./data";

/** The choices a map was planned from. */
export function wishOf(map: LashMap): MapWish {
  const { version: _version, differsOnPurpose: _differs, eyes: _eyes, ...wish } = map;
  return wish;
}

/** A first plan for a client: last visit's choices where there was one, else the natural look in the first tray. */
export function firstPlan(page: MapPage): { map: LashMap; notKept: readonly string[] } | null {
  const tray = page.trays.find(({ curl, diameterMm }) => curl === "C" && diameterMm <= 0.15) ?? page.trays[0];
  if (!tray) return null;
  const fibre = {
    curl: tray.curl,
    diameterMm: tray.diameterMm,
    shape: tray.shape,
    count: 1,
    ...(tray.colour ? { colour: tray.colour } : {}),
  };
  const usual: MapWish = {
    title: mapTitle({ look: "natural", fibre }),
    look: "natural",
    school: { id: "browPeak" },
    fibre,
    longestMm: null,
    coupling: "mirrored",
  };
  const last = page.last ? wishOf(page.last) : null;
  const plan =
    (last && planMap(page.survey.document, { ...last, title: mapTitle(last) }, page.policy, page.trays)) ??
    planMap(page.survey.document, usual, page.policy, page.trays);
  return plan && { map: plan.map, notKept: planWords(plan) };
}
