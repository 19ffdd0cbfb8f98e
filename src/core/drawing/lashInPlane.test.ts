import fc from "fast-check";
import { CURLS, type CurlId } from "../curl";
import { azimuthAt, fieldOf, SHAPES, usualSurvey, type EyeShape, type FieldLash } from "../eye";
import { FAN_OPENINGS, type Fibre } from "../lash";
import { surveyArbitrary, surveyOf } from "../../../tests/support/surveys";
import {
  attachedInPlane,
  closedEye,
  fromSide,
  inMirror,
  naturalBlades,
  naturalInPlane,
  onPad,
  openEye,
  ROW_MM,
  standing,
  wornBlades,
} from ".";

const shapes = Object.keys(SHAPES) as EyeShape[];
const usual = usualSurvey().eyes.right;
const single: Fibre = { curl: "C", lengthMm: 12, diameterMm: 0.15, shape: "round", count: 1 };
const lashOf = (change: Partial<FieldLash> = {}): FieldLash => ({
  index: 0,
  at: usual.landmarks.pupil,
  row: 0,
  rows: 2,
  lengthMm: 9,
  diameterMm: 0.085,
  angleDeg: 0,
  ownCurlDeg: 30,
  azimuthDeg: 0,
  baby: false,
  chance: 0,
  ...change,
});
const attached = (lash: FieldLash, fibre: Fibre = single, more: { offsetMm?: number; grownMm?: number } = {}) =>
  attachedInPlane({ lash, fibre, curl: CURLS[fibre.curl], offsetMm: 1, ...more });
const arc = (points: readonly (readonly number[])[]) =>
  points.slice(1).reduce((sum, p, i) => sum + Math.hypot(...p.map((value, axis) => value - points[i]![axis]!)), 0);

describe("a lash in its plane", () => {
  // Handbook table, lift of 12 mm on lashes that grow down / level / up.
  test.each([
    ["C", 2.42, 6.79, 9.41],
    ["D", 5.12, 8.39, 9.89],
    ["L", 5.32, 8.1, 9.25],
    ["M", 4.16, 7.44, 9.09],
  ] as const)("seen at the pupil a 12 mm %s lifts %d, %d and %d mm: down, level, up", (curl, down, level, up) => {
    const eye = openEye(usual);
    [down, level, up].forEach((lift, i) => {
      const lash = lashOf({ angleDeg: [-25, 0, 20][i]! });
      const hair = attached(lash, { ...single, curl })[0]!;
      const seen = inMirror(eye, lash, hair);
      expect(seen.at(-1)![1] - seen[0]![1]).toBeCloseTo(lift, 1);
      // Straight ahead, what it reaches is not seen from the front, and all of it on the pad.
      expect(Math.abs(seen.at(-1)![0] - seen[0]![0])).toBeLessThan(0.3);
      const lying = onPad(closedEye(usual), lash, hair);
      const side = fromSide(lash, hair);
      expect(lying.at(-1)![1] - lying[0]![1]).toBeCloseTo(side.at(-1)![0] - side[0]![0], 9);
      expect(side.at(-1)![1] - side[0]![1]).toBeCloseTo(lift, 1);
    });
  });
  test("a level lash of the outer third leaves outwards by the azimuth of its root, in the mirror's depth and on the pad", () => {
    const degrees = (aside: number, ahead: number) => (Math.atan2(aside, ahead) * 180) / Math.PI;
    for (const azimuthDeg of [-28, 20, 38, 45]) {
      const lash = lashOf({ at: 0.9, azimuthDeg, ownCurlDeg: 0 });
      const points = standing(openEye(usual), lash, naturalInPlane(lash));
      const [tip, root] = [points.at(-1)!, points[0]!];
      expect(degrees(tip[0] - root[0], tip[2] - root[2])).toBeCloseTo(azimuthDeg, 6);
      const pad = onPad(closedEye(usual), lash, attached(lash)[0]!);
      expect(degrees(pad.at(-1)![0] - pad[0]![0], pad.at(-1)![1] - pad[0]![1])).toBeCloseTo(azimuthDeg, 6);
      // What it wears lifts square to the lid, which slopes there: its tip goes out by as much at least.
      const worn = standing(openEye(usual), lash, attached(lash)[0]!);
      expect(degrees(worn.at(-1)![0] - worn[0]![0], worn.at(-1)![2] - worn[0]![2])).toBeGreaterThan(azimuthDeg);
    }
  });
  test.each(shapes)("%s: lashes lift outwards past the pupil and inwards before it, as far as they lift at all", (shape) => {
    const eye = openEye({ ...usual, shape });
    for (const at of [0.05, 0.5, 0.95]) expect(Math.hypot(...eye.uprightAt(at))).toBeCloseTo(1, 9);
    expect(eye.uprightAt(0.95)[0]).toBeGreaterThan(0.1);
    expect(eye.uprightAt(0.05)[0]).toBeLessThan(-0.1);
    expect(Math.abs(eye.uprightAt(usual.landmarks.pupil)[0])).toBeLessThan(0.2);
  });
  test("an extension leaves from its attachment along the natural lash, not from the skin", () => {
    const straight = lashOf({ ownCurlDeg: 0, angleDeg: 20 });
    const [reach, lift] = attached(straight)[0]!.points[0]!;
    expect(reach).toBeCloseTo(Math.cos((20 * Math.PI) / 180), 9);
    expect(lift).toBeCloseTo(Math.sin((20 * Math.PI) / 180), 9);
    // Never past the tip of the lash it stands on.
    const short = attached(lashOf({ lengthMm: 2, ownCurlDeg: 0 }), single, { offsetMm: 2.5 })[0]!;
    expect(short.points[0]![0]).toBeCloseTo(2, 9);
  });
  test("carried outwards by growth it begins further out and turns with the lash", () => {
    const lash = lashOf({ ownCurlDeg: 60 });
    const at = (grownMm: number) => attached(lash, { ...single, curl: "L" }, { grownMm })[0]!.points;
    expect(arc([[0, 0, 0], at(3)[0]!])).toBeGreaterThan(3.7);
    const first = (points: ReturnType<typeof at>) => Math.atan2(points[1]![1] - points[0]![1], points[1]![0] - points[0]![0]);
    // L is straight at its base: it leaves by the growth angle, and by 60° × 3/9 more after three millimetres.
    expect((first(at(0)) * 180) / Math.PI).toBeCloseTo(0, 6);
    expect((first(at(3)) * 180) / Math.PI).toBeCloseTo(20, 6);
  });
  test.each(["narrow", "usual", "wide"] as const)("a %s fan opens by its angle, from one root", (opening) => {
    const fibres = attached(lashOf(), { ...single, count: 6, diameterMm: 0.05, opening });
    expect(fibres).toHaveLength(6);
    const [a, b] = [fibres[0]!.points, fibres.at(-1)!.points];
    expect(Math.hypot(...a[0]!.map((value, i) => value - b[0]![i]!))).toBeCloseTo(0, 12);
    const way = (points: typeof a) => points.at(-1)!.map((value, i) => value - points[0]![i]!);
    const [u, v] = [way(a), way(b)];
    const dot = u.reduce((sum, value, i) => sum + value * v[i]!, 0);
    const angle = Math.acos(dot / (Math.hypot(...u) * Math.hypot(...v)));
    expect((angle * 180) / Math.PI).toBeCloseTo(FAN_OPENINGS[opening].angleDeg, 6);
    // Opened outwards last: the outer fibres stand aside of the plane to both sides alike.
    expect(u[2]).toBeCloseTo(-v[2]!, 9);
    expect(v[2]).toBeGreaterThan(0);
  });
  test("closed, a fan is one blade, thicker the more fibres lie in it", () => {
    const of = (count: number) => attached(lashOf(), { ...single, count, diameterMm: 0.05, opening: "closed" });
    expect(of(6)).toHaveLength(1);
    expect(of(6)[0]!.widthMm).toBeGreaterThan(0.05 * Math.sqrt(6));
    expect(of(9)[0]!.widthMm / of(4)[0]!.widthMm).toBeCloseTo(1.5, 9);
    expect(attached(lashOf())[0]!.widthMm).toBe(0.15);
  });
  test("a lash of no length is a point, and what it wears begins there", () => {
    const none = lashOf({ lengthMm: 0, ownCurlDeg: 60 });
    for (const [reach, lift] of naturalInPlane(none).points) expect([reach, lift]).toEqual([0, 0]);
    expect(attached(none, single, { grownMm: 1 })[0]!.points[0]!.map(Math.abs)).toEqual([0, 0, 0]);
    expect(attached(none, single, { grownMm: 1 })[0]!.points.flat().every(Number.isFinite)).toBe(true);
  });
  test("a natural lash is as long as it is, and turns over its own curl", () => {
    const points = naturalInPlane(lashOf({ ownCurlDeg: 60, lengthMm: 9 })).points;
    // A ninth of a right angle's thirds: 60° over 9 mm is a round of 9/(π/3) mm.
    const radius = 9 / (Math.PI / 3);
    expect(points.at(-1)![1]).toBeCloseTo(radius * (1 - Math.cos(Math.PI / 3)), 9);
    expect(points.at(-1)![0]).toBeCloseTo(radius * Math.sin(Math.PI / 3), 9);
  });
});

describe("lashes on an eye", () => {
  test("rows stand one before the other: the lower ones behind and below", () => {
    const eye = openEye(usual);
    const rootOf = (row: number) => standing(eye, lashOf({ row }), naturalInPlane(lashOf({ row })))[0]!;
    expect(rootOf(0)[1] - rootOf(1)[1]).toBeCloseTo(ROW_MM.down, 9);
    expect(rootOf(0)[2] - rootOf(1)[2]).toBeCloseTo(ROW_MM.back, 9);
    const blades = naturalBlades([lashOf({ index: 0 }), lashOf({ index: 1, row: 1 })], (lash, hair) => fromSide(lash, hair));
    // Behind is drawn first, and paler.
    expect(blades[0]!.points[0]![0]).toBeLessThan(blades[1]!.points[0]![0]);
    expect(blades[0]!.tone).toBeLessThan(blades[1]!.tone);
  });
  test("nothing of a lash lies behind the lid, whatever it wears", () => {
    fc.assert(
      fc.property(surveyArbitrary, fc.constantFrom(...shapes), fc.constantFrom<CurlId>("C", "D", "DD", "L"), (survey, shape, curl) => {
        const eyeSurvey = { ...survey.eyes.right, shape };
        const eye = openEye(eyeSurvey);
        const [cx, cy] = eye.globe.centre;
        let nearest = Infinity;
        for (const lash of fieldOf(survey, "right")) {
          const hairs = [naturalInPlane(lash), ...attached(lash, { ...single, curl, lengthMm: 12, count: 5 })];
          for (const hair of hairs)
            for (const [x, y, z] of standing(eye, lash, hair))
              nearest = Math.min(nearest, Math.hypot(x - cx, y - cy, z) - eye.globe.radiusMm);
        }
        expect(nearest).toBeGreaterThan(-0.05);
      }),
      { numRuns: 40, seed: 16 },
    );
  });
  test("under a hood a lash is hidden to where it comes out beneath; without one it is seen from its root", () => {
    const root = (shape: EyeShape, lash: FieldLash) => {
      const eye = openEye({ ...usual, shape });
      const seen = inMirror(eye, lash, naturalInPlane(lash));
      const [, y] = eye.marginAt(lash.at);
      return { seen, hidden: seen.length ? Math.hypot(seen[0]![0] - eye.marginAt(lash.at)[0], seen[0]![1] - y) : Infinity };
    };
    const outer = lashOf({ at: 0.85, azimuthDeg: 36 });
    expect(root("almond", outer).hidden).toBeCloseTo(0, 9);
    expect(root("hooded", outer).hidden).toBeGreaterThan(0.15);
    expect(root("hooded", outer).hidden).toBeLessThan(2);
    // At the inner third the fold stands over the margin, and roots are seen.
    expect(root("hooded", lashOf({ at: 0.2 })).hidden).toBeCloseTo(0, 9);
    // One too short to come out is not seen at all.
    expect(root("hooded", lashOf({ at: 0.85, lengthMm: 0.4 })).seen).toEqual([]);
  });
  test("what is shed is left out", () => {
    const worn = [0, 1, 2].map((index) => ({ lash: lashOf({ index }), fibre: single }));
    const wearing = { curlOf: () => CURLS.C, offsetMm: 1 };
    expect(wornBlades(worn, wearing, fromSide)).toHaveLength(3);
    expect(wornBlades(worn, { ...wearing, isGone: ({ index }) => index === 1 }, fromSide)).toHaveLength(2);
    const grown = wornBlades(worn, { ...wearing, grownMm: () => 2 }, fromSide)[0]!.points[0]![0];
    expect(grown).toBeGreaterThan(wornBlades(worn, wearing, fromSide)[0]!.points[0]![0] + 1.5);
  });
});

describe("the way lashes leave by", () => {
  test("unasked it runs from 28° in at the inner corner over 0 at the pupil to 45° out", () => {
    const at = azimuthAt(usual);
    expect([at(0), at(usual.landmarks.pupil), at(1)]).toEqual([-28, 0, 45]);
    for (let i = 1; i <= 50; i++) expect(at(i / 50)).toBeGreaterThan(at((i - 1) / 50));
  });
  test("where it was asked it is what was seen; a place nobody looked at stays as usual", () => {
    const points = usual.points.map((point, i) => (i === 2 ? { ...point, splayDeg: 60 } : point));
    const at = azimuthAt({ ...usual, points });
    expect(at(points[2]!.at)).toBeCloseTo(60, 9);
    expect(at(points[1]!.at)).toBeCloseTo(azimuthAt(usual)(points[1]!.at), 9);
    expect(at(1)).toBeGreaterThan(60);
    const everywhere = azimuthAt({ ...usual, points: points.map((point) => ({ ...point, splayDeg: 30 })) });
    for (const point of points) expect(everywhere(point.at)).toBeCloseTo(30, 9);
  });
  test("lashes of a field lean a little about it, and no further", () => {
    const survey = surveyOf([9, 9, 9], {});
    const at = azimuthAt(survey.eyes.right);
    const off = fieldOf(survey, "right").map((lash) => lash.azimuthDeg - at(lash.at));
    expect(Math.max(...off.map(Math.abs))).toBeLessThanOrEqual(4.5);
    expect(Math.max(...off) - Math.min(...off)).toBeGreaterThan(7);
  });
});
