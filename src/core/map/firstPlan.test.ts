import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyOf, trayOf } from "../../../tests/support/surveys";
import { firstPlan, planMap, wishOf } from ".";

const lengths = lengthsFrom(5, 15);
const shelf = [0.07, 0.1, 0.2, 0.15].map((diameterMm) => trayOf(lengths, { diameterMm }));
const first = (diameter: "fine" | "medium", trays = shelf, last: Parameters<typeof firstPlan>[1] = null) =>
  firstPlan(surveyOf([8.5, 11, 10], { diameter }), last, defaultPolicy, trays);

test("the natural look in the thickest singles of C up to 0.15 in which the lashes carry their own length", () => {
  expect(first("medium")!.map).toMatchObject({
    look: "natural",
    title: "natural, C 0.15",
    fibre: { curl: "C", diameterMm: 0.15, count: 1 },
  });
  expect(first("fine")!.map.fibre.diameterMm).toBe(0.1);
  expect(first("fine")!.breaches).toEqual([]);
});
test("where none carries it, the thickest, with what it cannot keep; where there is no C, the first tray; where there is nothing, no plan", () => {
  const only = first("fine", [trayOf(lengths)])!;
  expect(only.map.fibre.diameterMm).toBe(0.15);
  expect(only.breaches.map(({ limit }) => limit)).toContain("natural");
  const others = [trayOf(lengths, { curl: "D", diameterMm: 0.07 }), trayOf(lengths, { curl: "L" })];
  expect(first("medium", others)!.map.fibre).toMatchObject({ curl: "D", diameterMm: 0.07 });
  expect(first("medium", [])).toBeNull();
  expect(first("medium", [trayOf([])])).toBeNull();
});
test("last time's choices before all, planned on these lashes; where that fibre is gone, as for anybody", () => {
  const survey = surveyOf([7, 9.5, 8.5]);
  const cat = { ...wishOf(first("medium")!.map), look: "cat" as const };
  const last = planMap(survey, cat, defaultPolicy, shelf)!.map;
  const again = first("medium", shelf, last)!.map;
  expect([again.look, again.title]).toEqual(["cat", "cat, C 0.15"]);
  expect(again.eyes).not.toEqual(last.eyes);
  expect(first("medium", [trayOf(lengths, { diameterMm: 0.1 })], last)!.map).toMatchObject({ look: "natural", fibre: { diameterMm: 0.1 } });
});
