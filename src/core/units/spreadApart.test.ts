import fc from "fast-check";
import { spreadApart } from "./spreadApart";

test("two that crowd share the way, one that stands clear stays", () => {
  expect(spreadApart([0, 1, 10], 4)).toEqual([-1.5, 2.5, 10]);
  expect(spreadApart([0, 5, 10], 4)).toEqual([0, 5, 10]);
  expect(spreadApart([], 4)).toEqual([]);
});

test("all stand apart, and no other lawful placing near by moves them less", () => {
  const cost = (from: number[], to: number[]) => to.reduce((sum, place, i) => sum + (place - from[i]!) ** 2, 0);
  const lawful = (places: number[], gap: number) => places.every((place, i) => i === 0 || place - places[i - 1]! >= gap - 1e-9);
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: -20, max: 20, noNaN: true }), { minLength: 1, maxLength: 9 }),
      fc.double({ min: 0.1, max: 6, noNaN: true }),
      fc.array(fc.double({ min: -1, max: 1, noNaN: true }), { minLength: 9, maxLength: 9 }),
      (places, gap, nudge) => {
        const wished = [...places].sort((a, b) => a - b);
        const spread = spreadApart(wished, gap);
        expect(lawful(spread, gap)).toBe(true);
        // Any lawful neighbour, reached by mixing with another lawful placing, costs no less.
        const other = spreadApart(
          wished.map((place, i) => place + nudge[i]! * 5).sort((a, b) => a - b),
          gap,
        );
        for (const share of [0.01, 0.2, 1]) {
          const mixed = spread.map((place, i) => place + share * (other[i]! - place));
          expect(cost(wished, mixed)).toBeGreaterThanOrEqual(cost(wished, spread) - 1e-7);
        }
      },
    ),
    { numRuns: 400, seed: 5 },
  );
});
