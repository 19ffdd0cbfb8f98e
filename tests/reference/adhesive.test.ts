import fc from "fast-check";
import {
  bottleDrift,
  chanceOfAtLeast,
  cureDose,
  expectedSetTime,
  lawOf,
  learnSetTime,
  normalBelow,
  setTime,
  setTimeRatio,
  testDeviation,
  type SetTest,
} from "@/core/adhesive";

const at = (temperatureC: number, relativeHumidity: number) => ({ temperatureC, relativeHumidity });
const SIX: readonly SetTest[] = (
  [
    ["a", 3, 22, 0.5, 1.31],
    ["a", 10, 24, 0.42, 1.42],
    ["a", 17, 19, 0.6, 1.25],
    ["b", 2, 21, 0.35, 1.9],
    ["b", 9, 23, 0.55, 1.05],
    ["b", 23, 20, 0.28, 3.1],
  ] as const
).map(([bottleId, daysOpen, t, rh, seconds], i) => ({ id: String(i), bottleId, daysOpen, air: at(t, rh), seconds }));

describe("learning from set tests, against R 4.2.2", () => {
  // Computed once by R's normal equations, solve(P0 + X'X/s²), with the same priors: a batch solution, where ours goes
  // one test at a time.
  const model = learnSetTime(1.2, SIX);
  test.each([
    ["scale", 0, 5.240014189e-2, 1.273554978e-1],
    ["m", 1, 1.121883975, 2.492665817e-1],
    ["B", 2, 4423.892889, 2155.887355],
    ["bottle a", 3, 1.75902188e-2, 1.222742932e-1],
    ["drift of a", 4, 2.689997412e-3, 4.585881475e-2],
    ["bottle b", 5, -1.493431698e-4, 1.234743222e-1],
    ["drift of b", 6, 1.488145798e-2, 4.333673315e-2],
  ])("%s", (_, i, mean, sd) => {
    expect(model.belief.mean[i]! / mean).toBeCloseTo(1, 6);
    expect(Math.sqrt(model.belief.covariance[i]![i]!) / sd).toBeCloseTo(1, 6);
  });
  test("what bottle b will do at 30 days, 25 °C and 30 %: 2.0557 s, log sd 0.19592", () => {
    const expected = expectedSetTime(model, at(25, 0.3), "b", 30);
    expect(expected.known && expected.setTimeS).toBeCloseTo(2.055709045, 6);
    expect(expected.known && expected.logSd).toBeCloseTo(0.1959228895, 6);
  });
  test("the law that cure follows is the learned one", () => {
    expect(lawOf(model).m).toBeCloseTo(1.121883975, 6);
    expect(lawOf(model).bK).toBeCloseTo(4423.892889, 2);
  });
  test("the order of tests changes nothing", () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([...SIX], { minLength: 6 }), (shuffled) => {
        const again = learnSetTime(1.2, shuffled, ["a", "b"]);
        again.belief.mean.forEach((mean, i) => expect(mean).toBeCloseTo(model.belief.mean[i]!, 8));
      }),
      { numRuns: 30, seed: 1 },
    );
  });
});

test("before any test the range is the handbook's 30 % of scale at reference", () => {
  const atHalf = setTime(1, at(22, 0.5));
  // sqrt(0.26² + 0.15²) = 0.3002, four times in five: factor exp(1.2816 · 0.3002) = 1.469.
  expect(atHalf.known && atHalf.highS).toBeCloseTo(1.469, 2);
});

test("many tests pull the estimate to them, however far the leaflet was off", () => {
  const slow = Array.from({ length: 40 }, (_, i) => ({ id: `${i}`, bottleId: "x", daysOpen: i, air: at(22, 0.5), seconds: 2 }));
  const expected = expectedSetTime(learnSetTime(1, slow), at(22, 0.5), "x", 20);
  expect(expected.known && Math.abs(expected.setTimeS - 2)).toBeLessThan(0.06);
  expect(expected.known && expected.highS / expected.lowS).toBeLessThan(1.3);
});

test("a test ten times too long is questioned, one within a third is not", () => {
  const model = learnSetTime(1.2, [...SIX, { id: "odd", bottleId: "a", daysOpen: 12, air: at(22, 0.5), seconds: 12 }]);
  expect(testDeviation(model, model.tests.at(-1)!)).toMatchObject({ questioned: true });
  for (const test of SIX) expect(testDeviation(learnSetTime(1.2, SIX), test).questioned).toBe(false);
});

test("a bottle that slows by a tenth a week is called old by its own tests; one that stays is not", () => {
  const weekly = (factor: number) =>
    Array.from({ length: 12 }, (_, i) => ({
      id: `${i}`,
      bottleId: "x",
      daysOpen: i * 3.5,
      air: at(22, 0.5),
      seconds: factor ** (i / 2),
    }));
  expect(bottleDrift(learnSetTime(1, weekly(1.12)), "x", 42)).toMatchObject({ old: true, tests: 12 });
  expect(bottleDrift(learnSetTime(1, weekly(1)), "x", 42)).toMatchObject({ old: false });
  expect(bottleDrift(learnSetTime(1, []), "x", 42)).toBeNull();
});
// A model of this product: how soon a bottle's own tests are believed.
test("three weekly tests are believed in seven tenths of what they show, two in rather more than a third", () => {
  const slower = (times: number) =>
    Array.from({ length: times }, (_, i) => ({ id: `${i}`, bottleId: "x", daysOpen: i * 7, air: at(22, 0.5), seconds: 1.3 ** i }));
  const believed = (times: number) =>
    Math.log(bottleDrift(learnSetTime(1, slower(times)), "x", 7 * (times - 1))!.times) / Math.log(1.3 ** (times - 1));
  expect(believed(3)).toBeCloseTo(0.7, 1);
  expect(believed(2)).toBeCloseTo(0.37, 1);
});

describe("cure is a dose", () => {
  const HOUR = 3_600_000;
  const everyMinute = (air: (hour: number) => { temperatureC: number; relativeHumidity: number }) =>
    Array.from({ length: 61 }, (_, i) => ({ ...air(i / 60), atMs: (i / 60) * HOUR }));

  test("constant air: time over the ratio (closed form), 22 °C and 25 % count half (handbook)", () => {
    fc.assert(
      fc.property(fc.double({ min: 16, max: 30, noNaN: true }), fc.double({ min: 0.2, max: 0.75, noNaN: true }), (t, rh) => {
        const dose = cureDose(
          everyMinute(() => at(t, rh)),
          0,
          HOUR,
        )!;
        expect(dose.doseS).toBeCloseTo(3600 / setTimeRatio(at(t, rh)), 6);
        expect([dose.unheardS, dose.lowS, dose.highS]).toEqual([0, dose.doseS, dose.doseS]);
      }),
      { numRuns: 200, seed: 2 },
    );
    expect(
      cureDose(
        everyMinute(() => at(22, 0.25)),
        0,
        HOUR,
      )!.doseS,
    ).toBeCloseTo(1800, 6);
  });

  test("humidity rising in a straight line: the integral of φ^m in closed form", () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.22, max: 0.45, noNaN: true }),
        fc.double({ min: 0.46, max: 0.74, noNaN: true }),
        fc.double({ min: 0.4, max: 1.8, noNaN: true }),
        (from, to, m) => {
          const law = { m, bK: 4000 };
          const dose = cureDose(
            [
              { ...at(22, from), atMs: 0 },
              { ...at(22, to), atMs: HOUR },
            ],
            0,
            HOUR,
            law,
          )!;
          const closed = (3600 * (to ** (m + 1) - from ** (m + 1))) / ((to - from) * (m + 1) * 0.5 ** m);
          expect(dose.doseS / closed).toBeCloseTo(1, 8);
        },
      ),
      { numRuns: 200, seed: 3 },
    );
  });

  test("warmth and humidity both moving: R 4.2.2's integrate() gives 2728.993 s", () => {
    const dose = cureDose(
      [
        { ...at(20, 0.3), atMs: 0 },
        { ...at(23, 0.5), atMs: HOUR },
      ],
      0,
      HOUR,
      { m: 1.2, bK: 3000 },
    )!;
    expect(dose.doseS).toBeCloseTo(2728.993114, 3);
  });

  test("doses of two halves add up to the whole", () => {
    const readings = everyMinute((hour) => at(20 + 3 * hour, 0.3 + 0.2 * hour));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: HOUR - 1 }), (middle) => {
        const part = (from: number, to: number) => cureDose(readings, from, to)!.doseS;
        expect(part(0, middle) + part(middle, HOUR)).toBeCloseTo(part(0, HOUR), 6);
      }),
      { numRuns: 50, seed: 6 },
    );
  });

  test("a silence widens the estimate, and a longer one more", () => {
    const silent = (minutes: number) =>
      cureDose(
        [
          { ...at(22, 0.5), atMs: 0 },
          { ...at(22, 0.5), atMs: minutes * 60_000 },
        ],
        0,
        minutes * 60_000,
      )!;
    expect(silent(4)).toMatchObject({ unheardS: 0 });
    const [half, two] = [silent(30), silent(120)];
    expect(half).toMatchObject({ unheardS: 1800 });
    const width = (dose: typeof half) => (dose.highS - dose.lowS) / dose.doseS;
    expect(width(two)).toBeGreaterThan(width(half));
    expect(width(half)).toBeGreaterThan(0.1);
    // The last reading is long ago: what follows is held to it and said to be unheard.
    expect(cureDose([{ ...at(22, 0.5), atMs: 0 }], 0, HOUR)!.unheardS).toBeCloseTo(3300, 6);
  });
  test("air past what the model is good for counts as its edge and is said so; no reading, no dose", () => {
    const dose = cureDose(
      everyMinute(() => at(22, 0.1)),
      0,
      HOUR,
    )!;
    expect(dose.outsideS).toBeCloseTo(3600, 6);
    expect(dose.doseS).toBeCloseTo(3600 * 0.4, 6);
    expect(cureDose([], 0, HOUR)).toBeNull();
  });
});

describe("distributions, against R 4.2.2", () => {
  test.each([
    [6, 22, 0.02, 3.623899519e-6],
    [6, 22, 0.03, 3.59167513e-5],
    [1, 40, 0.05, 0.8714878434],
    [30, 200, 0.1, 0.01632656593],
  ])("%d or more of %d at %d: pbinom gives %d", (least, of, rate, expected) =>
    expect(chanceOfAtLeast(least, of, rate) / expected).toBeCloseTo(1, 7),
  );
  test.each([
    [-2.5, 0.006209665326],
    [-0.3, 0.382088577811],
    [0, 0.5],
    [1.2816, 0.900008499902],
    [3, 0.998650101968],
  ])("pnorm(%d)", (z, expected) => expect(Math.abs(normalBelow(z) - expected)).toBeLessThan(7.5e-8));
});
