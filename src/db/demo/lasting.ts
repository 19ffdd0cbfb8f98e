import { bareBelowDays, type SleptOn } from "@/core/fill";
import { naturalSurvival } from "@/core/growth";
import type { LashMap } from "@/core/map";
import { placementPlan } from "@/core/placing";
import type { Survey } from "@/core/eye";
import { mulberry32, standardNormal } from "@/core/units";
import type { EventPayload } from "@/core/visit";
import { eyes, type DemoClient } from "./clients";
import type { PersonKey } from "./scenario";

/**
 * What is true of the demo's studio, so that its screens have something to find: bonds lost a day by an ordinary set, and how
 * many times as many in dry air, from a bottle open for more than five weeks, on the side slept on. Invented; every count of
 * the demo's fills is drawn from it by chance.
 */
export const TRUTH = {
  perDay: 0.006,
  dryTimes: 2,
  dryBelow: 0.4,
  oldBottleTimes: 1.7,
  oldFromDays: 35,
  sleptOnTimes: 2.2,
  clientSd: 0.22,
  visitSd: 0.12,
  cycleDays: 90,
} as const;

/** How a set was placed and what it met, as far as it matters here. */
export type DrawnSet = {
  readonly relativeHumidity: number;
  readonly bottleAgeDays: number;
  readonly days: number;
  readonly sleptOn: SleptOn | null;
};

/** What a fill finds of a set, drawn zone by zone: a lash is on by nature's share times its bond's. */
export function drawnCounts(
  {
    map,
    survey,
    setVisitId,
    clientLog,
  }: { readonly map: LashMap; readonly survey: Survey; readonly setVisitId: string; readonly clientLog: number },
  set: DrawnSet,
  random: () => number,
): EventPayload<"leftCounted">[] {
  const natural = naturalSurvival(set.days, bareBelowDays(map, survey, TRUTH.cycleDays), TRUTH.cycleDays);
  const visitLog = TRUTH.visitSd * standardNormal(random);
  const dry = set.relativeHumidity < TRUTH.dryBelow ? TRUTH.dryTimes : 1;
  const old = set.bottleAgeDays >= TRUTH.oldFromDays ? TRUTH.oldBottleTimes : 1;
  const zones = new Map<string, EventPayload<"leftCounted"> & { left: number }>();
  for (const { side, layer, zone, role, from, to, planned } of placementPlan(map, survey).spots) {
    const slept = set.sleptOn === side ? TRUTH.sleptOnTimes : 1;
    const on = natural * Math.exp(-TRUTH.perDay * Math.exp(clientLog + visitLog) * dry * old * slept * set.days);
    let left = 0;
    for (let i = 0; i < planned; i++) if (random() < on) left += 1;
    const key = `${side} ${layer} ${zone}`;
    const known = zones.get(key);
    zones.set(
      key,
      known
        ? { ...known, left: known.left + left }
        : { side, layer, zone, role, from, to, left, setVisitId, twisted: null, outgrown: null, by: "pads" },
    );
  }
  return [...zones.values()];
}

/** The same numbers for the same thing every time. */
export function drawnFor(key: string): () => number {
  let seed = 7;
  for (const letter of key) seed = (Math.imul(seed, 31) + letter.charCodeAt(0)) | 0;
  return mulberry32(seed);
}

/** Air as it was placed in, long ago: dry in winter, each day its own. `yearShare` is 0 on the first of January. */
export function pastAir(yearShare: number, random: () => number): { temperatureC: number; relativeHumidity: number } {
  const winter = Math.cos(2 * Math.PI * yearShare);
  return {
    temperatureC: Math.round(10 * (21.6 - 0.7 * winter + 0.7 * standardNormal(random))) / 10,
    relativeHumidity: Math.round(1000 * Math.min(0.7, Math.max(0.24, 0.46 - 0.075 * winter + 0.06 * standardNormal(random)))) / 1000,
  };
}

/** A bottle of Slackwater was opened every nine weeks, and worked to its last drop, which its leaflet does not like. */
export const BOTTLE_EVERY_DAYS = 63;
export const LONG_AGO_DAYS = 728;

/** Who has come for up to two years, and what they tell at a fill. */
export type Regular = DemoClient & { readonly sleptOn: SleptOn; readonly washesAWeek: number; readonly oil: boolean };

const NAMES = [
  "Aveline Saltmarsh",
  "Briony Foxmere",
  "Cosima Quayle",
  "Delphine Oare",
  "Eluned Marrick",
  "Fenella Strand",
  "Greta Windle",
  "Halina Brook",
  "Isolde Penhallow",
  "Junia Tarn",
  "Kerensa Moyle",
  "Liv Harebell",
  "Morwenna Gannet",
  "Nerys Holloway",
  "Odile Fairweather",
  "Perpetua Lane",
  "Quilla Rushbrook",
  "Rhosyn Vale",
  "Saskia Downing",
  "Tamsin Ferry",
  "Ulla Westerby",
  "Verity Cobb",
  "Winifred Ashlar",
  "Xenia Mallow",
  "Yvaine Thrift",
  "Zelda Pinnock",
] as const;
const SLEEP: readonly SleptOn[] = ["left", "back", "right", "back", "either", "back", "left"];
const HANDS: readonly PersonKey[] = ["maren", "jossa"];
const LOOKS = ["natural", "doll", "squirrel", "cat"] as const;
const CURLS = ["C", "D", "C"] as const;

/** Their lashes, looks and habits are made up by their place in the list. */
export const REGULARS: readonly Regular[] = NAMES.map((name, i) => ({
  key: `regular ${i + 1}`,
  name,
  contact: "",
  notes: "",
  technician: HANDS[i % 2]!,
  survey: eyes([6.8 + (i % 4) * 0.2, 9.4 + (i % 5) * 0.25, 8.6 + (i % 3) * 0.3], {
    all: { density: i % 3 === 0 ? "dense" : "usual" },
    line: 27 + (i % 4) * 0.6,
  }),
  look: LOOKS[i % 4]!,
  school: { id: "browPeak" } as const,
  fibre: { curl: CURLS[i % 3]!, diameterMm: 0.15, shape: "round", count: 1 } as const,
  everyDays: 19 + ((i * 5) % 8),
  firstDaysAgo: 250 + ((i * 83) % 470),
  patchDaysAgo: 140 + i,
  sleptOn: SLEEP[i % SLEEP.length]!,
  washesAWeek: 2 + ((i * 3) % 6),
  oil: i % 4 === 1,
}));
