import { planMap } from "../map";
import { defaultPolicy } from "../policy";
import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { isWet, lookOf, placementPlan, weightsOf } from ".";

const survey = surveyOf([7, 9.5, 8.5]);
const { map } = planMap(survey, classicWish("doll"), defaultPolicy, WIDE_SHELF)!;
const plan = placementPlan(map, survey);
const weights = weightsOf(plan, { map, survey, trays: WIDE_SHELF, policy: defaultPolicy });

test("each spot has its part of the look, by the area its fibres cover: together all of it, more where there are more lashes", () => {
  expect(weights.reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 9);
  expect(Math.min(...weights)).toBeGreaterThan(0);
  const most = plan.spots.reduce((a, b, i) => (plan.spots[a]!.planned < b.planned ? i : a), 0);
  expect(weights[most]).toBe(Math.max(...weights));
  expect(weightsOf({ ...plan, spots: [] }, { map, survey, trays: WIDE_SHELF, policy: defaultPolicy })).toEqual([]);
});
test("all placed is all of the look, half of every zone three quarters, and more than all no more", () => {
  const look = (times: number) =>
    lookOf(
      plan.spots,
      weights,
      plan.spots.map(({ planned }) => planned * times),
    );
  expect([0, 0.5, 1, 2].map((times) => Number(look(times).toFixed(9)))).toEqual([0, 0.75, 1, 1]);
});
test("glue is wet from the lash until its time is over; where none was placed nothing is", () => {
  expect([isWet(0, 46, 45_999), isWet(0, 46, 46_000), isWet(null, 46, 0), isWet(undefined, 46, 0)]).toEqual([true, false, false, false]);
});
