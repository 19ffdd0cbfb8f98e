import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyOf } from "../../../tests/support/surveys";
import { accentLashes } from "./accentLashes";
import { planZones, type PlanLimit } from "./planZones";

// Common practice: a corner matches its usual lash; outside it may go one below for the drop; bare where nothing in stock is near.
const kind = { curl: "C", diameterMm: 0.15, shape: "round", count: 1 } as const;
const edges = [0, 0.15, 0.85, 1];
const zones = (survey: ReturnType<typeof surveyOf>, stock: readonly number[], without?: PlanLimit) =>
  planZones(survey.eyes.right, edges, kind, stock, defaultPolicy, { fill: true, without });
const lengths = ({ choices }: { choices: readonly { lengthMm: number }[] }) => choices.map(({ lengthMm }) => lengthMm);
const even = (mm: number) => surveyOf([mm, mm, mm], { spreadMm: 0.3 });

test("the inner corner wears its match, the outer one its match or one below it, and what lies below is counted", () => {
  const [inner, middle, outer] = zones(even(8), lengthsFrom(5, 14));
  expect(inner!.choices).toEqual([{ lengthMm: 8, belowMm: 0 }]);
  expect(outer!.choices).toEqual([
    { lengthMm: 7, belowMm: 1 },
    { lengthMm: 8, belowMm: 0 },
  ]);
  // Between them anything from the usual lash less half a millimetre to three past the shorter quarter.
  expect(lengths(middle!)).toEqual([8, 9, 10]);
});

test("where its match is not in stock a corner wears what is near below it, and stays bare where that is over a millimetre and a half", () => {
  const stock = [6, ...lengthsFrom(9, 12)];
  expect(lengths(zones(even(7.4), stock)[0]!)).toEqual([6]);
  expect(lengths(zones(even(7.6), stock)[0]!)).toEqual([]);
});

test("with the natural lash left aside a corner may be as short as anything, and a fill too", () => {
  const [inner, middle] = zones(even(8), lengthsFrom(5, 14), "natural");
  expect(lengths(inner!)).toEqual([5, 6, 7, 8]);
  expect(lengths(middle!)).toEqual([5, 6, 7, 8, 9, 10]);
});

test("an accent in a corner stands a millimetre over its match and no more", () => {
  const survey = even(8);
  const picked = accentLashes(survey, "right", { every: 3, cluster: 1, innerEvery: 2 });
  const corners = planZones(survey.eyes.right, edges, kind, lengthsFrom(5, 14), defaultPolicy, { picked });
  expect([lengths(corners[0]!).at(-1), lengths(corners[2]!).at(-1)]).toEqual([9, 9]);
});
