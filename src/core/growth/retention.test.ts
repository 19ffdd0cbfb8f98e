import { bondSurvival, ImpossibleCycle, naturalSurvival, naturalSurvivalRange } from ".";

describe("what nature leaves (handbook of the trade: 1 − t/(C − g); derived)", () => {
  test.each([
    [14, 0, 90, 76 / 90],
    [21, 0, 90, 69 / 90],
    [21, 20, 90, 49 / 70],
    [0, 0, 90, 1],
    [90, 0, 90, 0],
    [120, 0, 90, 0],
  ])("%d days, bare below %d, a cycle of %d", (days, bare, cycle, share) =>
    expect(naturalSurvival(days, bare, cycle)).toBeCloseTo(share, 12),
  );
  test.each([
    [21, 95, 90],
    [21, 90, 90],
    [-1, 0, 90],
    [21, -3, 90],
    [21, 0, 0],
    [Number.NaN, 0, 90],
  ])("refuses the impossible: %d days, bare below %d, a cycle of %d", (days, bare, cycle) =>
    expect(() => naturalSurvival(days, bare, cycle)).toThrow(ImpossibleCycle),
  );
  test("how unsure the cycle is goes into the share: 90 ± 5 days at 21 days is 73.9 to 78.8 %", () => {
    const range = naturalSurvivalRange(21);
    // Derived: 1.96 × 5 = 9.80 days; 1 − 21/80.20 and 1 − 21/99.80.
    expect(range.mid).toBeCloseTo(0.7667, 4);
    expect(range.low).toBeCloseTo(1 - 21 / 80.2, 3);
    expect(range.high).toBeCloseTo(1 - 21 / 99.8, 3);
    // Two spreads add in squares: 3 and 4 are worth 5.
    expect(naturalSurvivalRange(21, { mean: 0, sd: 3 }, { mean: 90, sd: 4 })).toEqual(naturalSurvivalRange(21));
    expect(naturalSurvivalRange(21, { mean: 9, sd: 0 }, { mean: 90, sd: 0 })).toEqual({ mid: 60 / 81, low: 60 / 81, high: 60 / 81 });
    // So unsure that a worn lash may have less time than has passed.
    expect(naturalSurvivalRange(21, { mean: 60, sd: 6 })).toMatchObject({ low: 0 });
    expect(() => naturalSurvivalRange(21, { mean: 0, sd: -1 })).toThrow(ImpossibleCycle);
    expect(() => naturalSurvivalRange(21, { mean: 95, sd: 1 })).toThrow(ImpossibleCycle);
  });
});

test("a bond holds the longer the more it has to hold by", () => {
  const contacts = [0.1, 0.5, 0.96, 1.4, 2, 3];
  const survivals = contacts.map((contactMm) => bondSurvival(21, contactMm));
  for (let i = 1; i < survivals.length; i++) expect(survivals[i]!).toBeGreaterThan(survivals[i - 1]!);
  // Derived: the ordinary contact keeps exp(−0.0117 × 21); twice the contact its square root; half of it its square.
  expect(bondSurvival(21, 1.4)).toBeCloseTo(Math.exp(-0.2457), 9);
  expect(bondSurvival(21, 2.8)).toBeCloseTo(Math.exp(-0.2457 / 2), 9);
  expect(bondSurvival(21, 0.7)).toBeCloseTo(Math.exp(-0.2457 * 2), 9);
  expect(bondSurvival(0, 1)).toBe(1);
});
