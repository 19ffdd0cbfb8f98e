import { readJudged } from "./readJudged";

test("what was judged comes back in part or whole", () => {
  expect(readJudged({ even: true })).toEqual({ even: true });
  expect(readJudged({ even: "mostly" })).toBeNull();
  expect(readJudged(7)).toBeNull();
});
