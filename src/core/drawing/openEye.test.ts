import fc from "fast-check";
import { CURL_IDS, CURLS } from "../curl";
import { fieldOf, SHAPES, SIDES, usualSurvey, type EyeShape, type FieldLash } from "../eye";
import type { Fibre } from "../lash";
import { surveyArbitrary } from "../../../tests/support/surveys";
import { drawOpenEye, inMirror, openEye, roomOfOpenEyes, wornBlades } from ".";

const shapes = Object.keys(SHAPES) as EyeShape[];
const usual = usualSurvey().eyes.right;
const single: Fibre = { curl: "C", lengthMm: 12, diameterMm: 0.15, shape: "round", count: 1 };
const arc = (points: readonly (readonly number[])[]) =>
  points.slice(1).reduce((sum, p, i) => sum + Math.hypot(...p.map((value, axis) => value - points[i]![axis]!)), 0);

describe("the open eye", () => {
  test.each(shapes)("%s: along the globe the lash line is exactly as long as surveyed", (shape) => {
    for (const lashLineMm of [25, 28, 32]) {
      const eye = openEye({ ...usual, shape, lashLineMm });
      const margin = Array.from({ length: 801 }, (_, i) => eye.marginAt(i / 800));
      expect(Math.abs(arc(margin) - lashLineMm)).toBeLessThan(0.02 * lashLineMm);
      // It runs from near the inner corner outwards, and does not reach round behind.
      margin.slice(1).forEach(([x], i) => expect(x).toBeGreaterThan(margin[i]![0]));
      expect(margin.at(-1)![0]).toBeLessThan(eye.widthMm);
    }
  });
  test.each(shapes)("%s: the margin lies on its globe, and the lid cuts the iris by a millimetre or two", (shape) => {
    const eye = openEye({ ...usual, shape });
    const [cx, cy] = eye.globe.centre;
    for (const at of [0, 0.3, 0.5, 0.8, 1]) {
      const [x, y, z] = eye.marginAt(at);
      expect(Math.hypot(x - cx, y - cy, z - 1.4)).toBeCloseTo(eye.globe.radiusMm, 6);
    }
    // The iris stands between its marks.
    expect(eye.iris.x - eye.iris.radius).toBeCloseTo(eye.marginAt(usual.landmarks.irisInner)[0], 6);
    expect(eye.iris.x + eye.iris.radius).toBeCloseTo(eye.marginAt(usual.landmarks.irisOuter)[0], 6);
    const cut = eye.iris.y + eye.iris.radius - eye.upperY(eye.iris.x);
    expect(cut).toBeGreaterThan(0.9);
    expect(cut).toBeLessThan(2.1);
  });
  test("shapes differ by more than a line: corners, fold, opening, hood", () => {
    const of = (shape: EyeShape) => openEye({ ...usual, shape });
    const tilt = (shape: EyeShape) => of(shape).upper.at(-1)![1] / of(shape).widthMm;
    const high = (shape: EyeShape) => Math.max(...of(shape).upper.map(([, y]) => y)) / of(shape).widthMm;
    expect(tilt("downturned")).toBeLessThan(tilt("almond") - 0.1);
    expect(tilt("upturned")).toBeGreaterThan(tilt("almond") + 0.1);
    expect(high("round")).toBeGreaterThan(high("almond") * 1.2);
    expect(of("monolid").fold).toHaveLength(0);
    const over = (shape: EyeShape, t: number) => of(shape).foldY(t * of(shape).widthMm) - of(shape).upperY(t * of(shape).widthMm);
    expect(over("hooded", 0.8)).toBeLessThan(0);
    expect(over("hooded", 0.25)).toBeGreaterThan(0);
    expect(over("deepSet", 0.5)).toBeLessThan(over("almond", 0.5) / 2);
    expect(over("prominent", 0.5)).toBeGreaterThan(over("almond", 0.5) * 1.4);
  });
  test("a landmark moves the iris, never the roots", () => {
    const moved = { ...usual, landmarks: { ...usual.landmarks, irisInner: 0.36, irisOuter: 0.69 } };
    expect(openEye(moved).iris.x).toBeGreaterThan(openEye(usual).iris.x + 0.8);
    expect(openEye(moved).marginAt(0.7)).toEqual(openEye(usual).marginAt(0.7));
  });
  test("there is room beside every eye for what its lashes may wear, whatever their splay", () => {
    fc.assert(
      fc.property(
        surveyArbitrary,
        fc.constantFrom(...CURL_IDS),
        fc.array(fc.integer({ min: -60, max: 75 }), { minLength: 3, maxLength: 3 }),
        (drawn, curl, splays) => {
          const splayed = (side: "right" | "left") => ({
            ...drawn.eyes[side],
            points: drawn.eyes[side].points.map((point, i) => ({ ...point, splayDeg: splays[i % 3]! })),
          });
          const survey = { ...drawn, eyes: { right: splayed("right"), left: splayed("left") } };
          const { asideMm } = roomOfOpenEyes(survey);
          for (const side of SIDES) {
            const eye = openEye(survey.eyes[side]);
            // Corners match, a millimetre over at most; between them three over.
            const over = ({ at }: FieldLash) => (at < 0.2 || at > 0.8 ? 1 : 3);
            const worn = fieldOf(survey, side).map((lash) => ({ lash, fibre: { ...single, lengthMm: lash.lengthMm + over(lash), curl } }));
            const blades = wornBlades(worn, { curlOf: ({ curl }) => CURLS[curl], offsetMm: 1 }, (lash, hair) => inMirror(eye, lash, hair));
            const xs = blades.flatMap(({ points }) => points.map(([x]) => x));
            expect(Math.max(Math.max(...xs) - eye.widthMm, -Math.min(...xs))).toBeLessThan(asideMm + 1e-9);
            expect(asideMm).toBeLessThan(18);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
  test("there is room over every eye for its lashes, fold and brow", () => {
    fc.assert(
      fc.property(surveyArbitrary, fc.constantFrom(...CURL_IDS), (survey, curl) => {
        const { aboveMm, belowMm } = roomOfOpenEyes(survey);
        for (const side of SIDES) {
          const eye = openEye(survey.eyes[side]);
          const field = fieldOf(survey, side);
          const worn = field.map((lash) => ({ lash, fibre: { ...single, lengthMm: 14, curl } }));
          const look = (lash: FieldLash, hair: Parameters<typeof inMirror>[2]) => inMirror(eye, lash, hair);
          const blades = wornBlades(worn, { curlOf: ({ curl }) => CURLS[curl], offsetMm: 0 }, look);
          const drawn = drawOpenEye(eye, { field, seed: survey.seed, xRunsRight: true }).flatMap((shape) =>
            shape.kind === "blades" ? shape.blades : [],
          );
          const ys = [...blades, ...drawn].flatMap(({ points }) => points.map(([, y]) => y));
          expect(Math.max(...ys)).toBeLessThan(aboveMm);
          expect(Math.min(...drawn.flatMap(({ points }) => points.map(([, y]) => y)))).toBeGreaterThan(-belowMm);
        }
      }),
      { numRuns: 25, seed: 15 },
    );
  });
});
