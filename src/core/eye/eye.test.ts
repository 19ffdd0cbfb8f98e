import fc from "fast-check";
import { normalCdf } from "./normal";
import { interpolateMonotone, landmarksSchema, lashCount, naturalLashAt, naturalZone, surveySchema, usualSurvey, type EyeSurvey } from ".";
import { surveyArbitrary, surveyOf } from "../../../tests/support/surveys";

describe("the normal distribution", () => {
  // Abramowitz and Stegun, Handbook of Mathematical Functions (1964), table 26.1.
  test.each([
    [0, 0.5],
    [0.5, 0.6914625],
    [1, 0.8413447],
    [1.96, 0.9750021],
    [3, 0.9986501],
    [-1, 0.1586553],
  ])("Φ(%d) = %d (published table)", (z, p) => expect(normalCdf(z)).toBeCloseTo(p, 6));
});

describe("a curve between surveyed places", () => {
  const places = fc
    .uniqueArray(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 8 })
    .map((xs) => xs.sort((a, b) => a - b))
    .chain((xs) =>
      fc.tuple(fc.constant(xs), fc.array(fc.double({ min: -5, max: 15, noNaN: true }), { minLength: xs.length, maxLength: xs.length })),
    );

  test("passes through every place, never leaves the two it runs between, and is flat beyond the ends", () => {
    fc.assert(
      fc.property(places, fc.double({ min: 0, max: 1, noNaN: true }), ([xs, ys], share) => {
        const curve = interpolateMonotone(xs, ys);
        xs.forEach((x, i) => expect(curve(x)).toBeCloseTo(ys[i]!, 8));
        for (let i = 1; i < xs.length; i++) {
          const y = curve(xs[i - 1]! + share * (xs[i]! - xs[i - 1]!));
          expect(y).toBeGreaterThanOrEqual(Math.min(ys[i - 1]!, ys[i]!) - 1e-9);
          expect(y).toBeLessThanOrEqual(Math.max(ys[i - 1]!, ys[i]!) + 1e-9);
        }
        expect(curve(-10)).toBe(ys[0]);
        expect(curve(200)).toBe(ys.at(-1));
      }),
      { numRuns: 300, seed: 41 },
    );
  });
  test("one place serves everywhere; none, or fewer heights than places, is a mistake", () => {
    expect(interpolateMonotone([0.5], [9])(0.1)).toBe(9);
    expect(() => interpolateMonotone([], [])).toThrow(RangeError);
    expect(() => interpolateMonotone([0, 1], [9])).toThrow(RangeError);
  });
});

describe("the natural lashes of a zone", () => {
  const alike = surveyOf([9, 9, 9], { spreadMm: 0.8 }).eyes.right;

  test("of lashes alike all along, quantiles are those of one normal spread", () => {
    const zone = naturalZone(alike, 0.2, 0.6);
    expect(zone.meanMm).toBeCloseTo(9, 9);
    // Normal quartiles stand 0.67449 standard deviations off (published tables).
    expect(zone.quantileMm(0.25)).toBeCloseTo(9 - 0.67449 * 0.8, 4);
    expect(zone.quantileMm(0.75)).toBeCloseTo(9 + 0.67449 * 0.8, 4);
    expect(zone.shareAtLeast(9)).toBeCloseTo(0.5, 6);
    expect(zone.widthMm).toBeCloseTo(0.4 * alike.lashLineMm, 9);
  });
  test("a quantile and the share at least as long undo each other, on any survey", () => {
    fc.assert(
      fc.property(
        surveyArbitrary,
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        fc.double({ min: 0, max: 0.8, noNaN: true }),
        (survey, p, from) => {
          const zone = naturalZone(survey.eyes.left, from, from + 0.2);
          expect(1 - zone.shareAtLeast(zone.quantileMm(p))).toBeCloseTo(p, 4);
        },
      ),
      { numRuns: 120, seed: 42 },
    );
  });
  test("zones together hold the lashes of the whole lid, within rounding", () => {
    for (const count of [3, 5, 11]) {
      const sum = Array.from({ length: count }, (_, i) => naturalZone(alike, i / count, (i + 1) / count).allLashes).reduce(
        (a, b) => a + b,
        0,
      );
      expect(Math.abs(sum - lashCount(alike))).toBeLessThanOrEqual(count / 2);
    }
  });
  test("a zone of no width is a mistake", () => {
    expect(() => naturalZone(alike, 0.5, 0.5)).toThrow(RangeError);
    expect(() => naturalZone(alike, 0.6, 0.5)).toThrow(RangeError);
  });
  test("classes become numbers: thickness, growth angle, own curl, lashes to the millimetre", () => {
    const lash = naturalLashAt(
      surveyOf([8, 8, 8], { diameter: "coarse", direction: "down", ownCurl: "curly", density: "sparse" }).eyes.right,
    )(0.5);
    expect(lash).toMatchObject({ diameterMm: 0.105, angleDeg: -25, ownCurlDeg: 60, lashesPerMm: 3.2 });
  });
});

describe("a survey at the door", () => {
  const eye = (change: Partial<EyeSurvey>) => {
    const survey = usualSurvey();
    return surveySchema.safeParse({ ...survey, eyes: { ...survey.eyes, right: { ...survey.eyes.right, ...change } } });
  };
  test("the usual survey passes and finds 90 to 160 lashes a lid (textbooks, from memory)", () => {
    expect(surveySchema.safeParse(usualSurvey()).success).toBe(true);
    const count = lashCount(usualSurvey().eyes.right);
    expect(count).toBeGreaterThan(90);
    expect(count).toBeLessThan(160);
  });
  test.each<[string, Partial<EyeSurvey>]>([
    ["a lash line of 60 mm", { lashLineMm: 60 }],
    ["a lash of 40 mm", { points: usualSurvey().eyes.right.points.map((point) => ({ ...point, lengthMm: 40 })) }],
    ["one place alone", { points: usualSurvey().eyes.right.points.slice(0, 1) }],
    ["places out of order", { points: [...usualSurvey().eyes.right.points].reverse() }],
    ["a shape nobody knows", { shape: "square" as never }],
    ["a splay past the side", { points: usualSurvey().eyes.right.points.map((point) => ({ ...point, splayDeg: 76 })) }],
  ])("%s is refused", (_, change) => expect(eye(change).success).toBe(false));
  test.each([
    ["iris edges changed over", { irisInner: 0.7, pupil: 0.5, irisOuter: 0.3, browPeak: 0.75 }],
    ["a brow peak inside the pupil", { irisInner: 0.3, pupil: 0.5, irisOuter: 0.65, browPeak: 0.4 }],
    ["a pupil off the lash line", { irisInner: 0.3, pupil: 1.2, irisOuter: 0.65, browPeak: 0.7 }],
  ])("landmarks: %s are refused in words", (_, landmarks) => {
    const parsed = landmarksSchema.safeParse(landmarks);
    expect(parsed.success).toBe(false);
    expect(parsed.error!.issues[0]!.message).toMatch(/\w/);
  });
});
