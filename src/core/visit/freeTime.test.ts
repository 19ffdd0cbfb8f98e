import fc from "fast-check";
import { freeStretches, lanesFor, whatFits } from ".";

const at = (fromMin: number, toMin: number) => ({ fromMin, toMin });

test("what lies free between visits, in any order and overlapping, where it is long enough", () => {
  expect(freeStretches([at(660, 780), at(600, 700)], 540, 840, 30)).toEqual([at(540, 600), at(780, 840)]);
  expect(freeStretches([at(560, 700)], 540, 840, 30)).toEqual([at(700, 840)]);
  expect(freeStretches([at(500, 600), at(800, 900)], 540, 840, 30)).toEqual([at(600, 800)]);
  expect(freeStretches([at(570, 810)], 540, 840, 30)).toEqual([at(540, 570), at(810, 840)]);
  expect(freeStretches([at(569, 811)], 540, 840, 30)).toEqual([]);
  expect(freeStretches([], 540, 840, 30)).toEqual([at(540, 840)]);
});
test("free stretches touch no visit, and are as long as is asked", () => {
  const visit = fc
    .record({ fromMin: fc.integer({ min: 0, max: 1300 }), length: fc.integer({ min: 5, max: 300 }) })
    .map(({ fromMin, length }) => at(fromMin, fromMin + length));
  fc.assert(
    fc.property(fc.array(visit, { maxLength: 9 }), (busy) => {
      for (const { fromMin, toMin } of freeStretches(busy, 540, 1110, 30)) {
        expect(toMin - fromMin).toBeGreaterThanOrEqual(30);
        expect(fromMin >= 540 && toMin <= 1110).toBe(true);
        expect(busy.some((one) => one.fromMin < toMin && one.toMin > fromMin)).toBe(false);
      }
    }),
  );
});
test("what fits, longest first", () => {
  expect(whatFits(29)).toEqual([]);
  expect(whatFits(60)[0]).toMatch(/^(lift|lamination|lightening)$/);
  expect(whatFits(60)).not.toContain("fill");
  expect(whatFits(150)[0]).toBe("newSet");
});
test("visits that overlap lie beside each other, others on one thread", () => {
  expect(lanesFor([at(540, 600), at(600, 700)])).toEqual({ lanes: [0, 0], count: 1 });
  expect(lanesFor([at(600, 700), at(540, 601), at(700, 800)])).toEqual({ lanes: [1, 0, 0], count: 2 });
  expect(lanesFor([])).toEqual({ lanes: [], count: 1 });
});
