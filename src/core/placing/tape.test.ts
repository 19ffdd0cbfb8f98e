import { planMap } from "../map";
import { defaultPolicy } from "../policy";
import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { drawnTo, isDirected, placementPlan, withTargets } from ".";

test("tape draws the inner corner sideways by all of its stretch, the middle by none, and no mark past another", () => {
  // 2 mm on a line of 28 mm: the corner by 0.0714, a quarter of the way in by half of it.
  expect(drawnTo(0, 28, 2)).toBeCloseTo(-2 / 28, 12);
  expect(drawnTo(0.25, 28, 2)).toBeCloseTo(0.25 - 1 / 28, 12);
  expect([drawnTo(0.5, 28, 2), drawnTo(0.9, 28, 2)]).toEqual([0.5, 0.9]);
  const marks = Array.from({ length: 21 }, (_, i) => drawnTo(i / 20, 24, 5));
  expect(marks.every((mark, i) => i === 0 || mark > marks[i - 1]!)).toBe(true);
});

test("direction must hold in singles and spikes, not in open fans", () => {
  const fibre = { lengthMm: 10, curl: "C", diameterMm: 0.07, shape: "round", count: 3 } as const;
  expect([
    isDirected({ isFan: false, fibre: { ...fibre, count: 1 } }),
    isDirected({ isFan: true, fibre: { ...fibre, opening: "closed" } }),
    isDirected({ isFan: true, fibre }),
  ]).toEqual([true, true, false]);
});

test("planned again, a spot ends with what was said, never with more than its lashes; what was not named stays whole", () => {
  const survey = surveyOf([7, 9.5, 8.5]);
  const plan = placementPlan(planMap(survey, classicWish("doll"), defaultPolicy, WIDE_SHELF)!.map, survey);
  const [first, second, third] = plan.spots;
  const at = ({ side, layer, zone, piece }: (typeof plan.spots)[number], planned: number) => ({ side, layer, zone, piece, planned });
  const again = withTargets(plan, { minutes: 30, atMs: 0, spots: [at(first!, 2), at(second!, 400), { ...at(third!, 1), zone: 39 }] });
  expect(again.spots.slice(0, 3).map(({ planned }) => planned)).toEqual([2, second!.planned, third!.planned]);
  expect(withTargets(plan, null)).toBe(plan);
});
