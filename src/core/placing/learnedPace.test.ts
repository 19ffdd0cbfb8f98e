import { studentT975 } from "../statistics";
import { BEGINNER_TIMES, learnedPace, setPace, type SetPace } from ".";
import { setPaceDocument } from "./setPaceSchema";

const gaps = (seconds: readonly number[], side: "right" | "left" = "right", isFan = false) =>
  seconds.map((s) => ({ side, isFan, seconds: s }));
const setOf = (...all: ReturnType<typeof gaps>[]): SetPace => setPace(all.flat())!;

/** Normal pairs by Box and Muller from a small congruential generator: the same each time. */
function normals(seed: number) {
  let state = seed;
  const uniform = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}

describe("what a set teaches of a pace", () => {
  test("each eye and technique by itself, where there are ten lashes of it", () => {
    const set = setOf(
      gaps(Array(10).fill(20)),
      gaps([...Array(5).fill(24), ...Array(5).fill(26)], "left"),
      gaps(Array(9).fill(60), "left", true),
    );
    expect(set.groups).toEqual([
      { side: "right", isFan: false, lashes: 10, seconds: 20, variance: 0 },
      { side: "left", isFan: false, lashes: 10, seconds: 25, variance: expect.closeTo(10 / 9, 9) },
    ]);
    expect(setPace(gaps(Array(9).fill(20)))).toBeNull();
    expect(setPaceDocument.schema.parse(set)).toEqual(set);
  });
  test("one set: its lashes say how sure it is; of both eyes together by their lashes", () => {
    const set = setOf(gaps([...Array(10).fill(18), ...Array(10).fill(22)]), gaps(Array(60).fill(30), "left"));
    const right = learnedPace([set], "right", false)!;
    expect([right.seconds, right.lashes]).toEqual([20, 20]);
    // s² = 20·4/19, half-width t(19)·√(s²/20).
    expect(right.highS - right.seconds).toBeCloseTo(studentT975(19) * Math.sqrt(80 / 19 / 20), 6);
    expect(learnedPace([set], null, false)!.seconds).toBeCloseTo((20 * 20 + 60 * 30) / 80, 9);
    expect(learnedPace([set], "right", true)).toBeNull();
    expect(learnedPace([], null, false)).toBeNull();
  });
  test("several sets: sets differ more than lashes, and the interval is theirs", () => {
    const three = [18, 20, 25].map((s) => setOf(gaps(Array(40).fill(s))));
    const pace = learnedPace(three, "right", false)!;
    expect(pace.seconds).toBeCloseTo(21, 9);
    // Equal weights: the plain interval of a mean, t(2) = 4.303 (Abramowitz & Stegun, table 26.10).
    const sd = Math.sqrt(((18 - 21) ** 2 + (20 - 21) ** 2 + (25 - 21) ** 2) / 2);
    expect(pace.highS - pace.seconds).toBeCloseTo((4.303 * sd) / Math.sqrt(3), 6);
    expect(pace.lowS).toBeCloseTo(Math.max(0, 42 - pace.highS), 6);
  });
  test("a known pace lies in the interval about nineteen times in twenty, sets of different length, hands of different days", () => {
    let inside = 0;
    const rounds = 400;
    for (let seed = 1; seed <= rounds; seed++) {
      const normal = normals(seed * 7919);
      const sets = Array.from({ length: 6 }, (_, i) => {
        const day = 24 + 2 * normal();
        return setOf(gaps(Array.from({ length: 60 + 12 * i }, () => Math.max(5, day + 5 * normal()))));
      });
      const { lowS, highS } = learnedPace(sets, "right", false)!;
      if (lowS <= 24 && 24 <= highS) inside += 1;
    }
    expect(inside / rounds).toBeGreaterThan(0.92);
    expect(inside / rounds).toBeLessThan(0.98);
  });
});

test("the table's points of t for few, the formula's for many: Abramowitz & Stegun, table 26.10", () => {
  expect([1, 2, 5, 9].map(studentT975)).toEqual([12.706, 4.303, 2.571, 2.262]);
  for (const [df, t] of [
    [10, 2.228],
    [20, 2.086],
    [60, 2],
  ] as const)
    expect(Math.abs(studentT975(df) / t - 1)).toBeLessThan(0.003);
});

test("a beginner takes half as long again as a practised hand: three hours for two, common practice", () =>
  expect(BEGINNER_TIMES).toBe(3 / 2));
