import { closedFanWidth } from ".";

// A model of this product: no wider than its fibres side by side, 1.8 times as wide as the round bundle they would pack into.
test.each([
  [1, 1],
  [2, 2],
  [3, 3],
  [4, 3.6],
  [9, 5.4],
  [16, 7.2],
])("a closed fan of %i fibres is seen %f fibres wide", (count, wide) => expect(closedFanWidth(count)).toBeCloseTo(wide, 9));
