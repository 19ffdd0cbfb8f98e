import { classicWish, planShares, type PlanShares } from "../tests/support/planShares";
import { randomSurveys } from "../tests/support/randomSurveys";
import { median, ms, percentile } from "./measure";
import type { AccentWish, MapPlan, MapWish, UnderWish } from "@/core/map";

// Four looks on each of three hundred random eyes: what a practitioner would look for in them, and how long they took.
const surveys = randomSurveys(300, Number(process.env["IVY_SEED"] ?? 7));
const accents: AccentWish = {
  offsetMm: 3,
  placing: { every: 4, cluster: 1, innerEvery: 2 },
  fibre: { curl: "C", diameterMm: 0.07, shape: "round", count: 3, opening: "closed" },
};
const under: UnderWish = { belowMm: 2, sections: 4, fibre: { curl: "C", diameterMm: 0.07, shape: "round", count: 1 } };
const KINDS: readonly (readonly [string, Partial<MapWish>])[] = [
  ["brow peak, singles", {}],
  ["iris marks", { school: { id: "irisMarks" } }],
  ["seven equal zones", { school: { id: "equal", zones: 7 } }],
  ["two halves", { school: { id: "twoHalves" } }],
  ["wispy", { accents }],
  ["three layers", { accents, under }],
];
const percent = (share: number) => `${(share * 100).toFixed(1)} %`;
for (const [name, change] of KINDS) {
  const times: number[] = [];
  let [words, texture, pairs] = [0, 0, 0];
  // Fresh surveys for each kind: what is reckoned of an eye is kept with it.
  const fresh = structuredClone(surveys);
  const shares = planShares(
    fresh,
    (look) => classicWish(look, change),
    (plan, took) => {
      times.push(took);
      words += plan.breaches.length + plan.cuts.length ? 1 : 0;
      const kept = textured(plan);
      [texture, pairs] = [texture + kept.kept, pairs + kept.pairs];
    },
  );
  console.log(`\n${name}: 1,200 plans, median ${ms(median(times))}, p95 ${ms(percentile(times, 0.95))}`);
  for (const [what, share] of Object.entries(shares) as [keyof PlanShares, number][]) console.log(`  ${what.padEnd(14)} ${percent(share)}`);
  console.log(`  something said ${percent(words / times.length)}${pairs ? `, texture kept in ${percent(texture / pairs)} of pairs` : ""}`);
}

/** Pairs of a line and a zone between that stand 1 to 2 mm apart, corners left out. */
function textured({ map }: MapPlan): { kept: number; pairs: number } {
  if (map.school.id !== "irisMarks") return { kept: 0, pairs: 0 };
  const lengths = map.eyes.right.layers[0]!.zones.map((zone) => zone?.lengthMm ?? null);
  const inner = lengths.slice(1, -1);
  const rises = inner.slice(1).map((mm, i) => (i % 2 === 0 ? (mm ?? 0) - (inner[i] ?? 0) : (inner[i] ?? 0) - (mm ?? 0)));
  return { kept: rises.filter((rise) => rise >= 1 && rise <= 2).length, pairs: rises.length };
}
