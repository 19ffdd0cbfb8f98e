import fc from "fast-check";
import { DRAWN_PICTURES } from "@/db/demo/pictures";
import {
  curlFactor,
  curveThrough,
  lengthOf,
  measureClosed,
  measureOpen,
  newestMeasures,
  noMarks,
  picturePlane,
  pictureMarksSchema,
  type PictureMarks,
} from "@/core/measure";

const drawn = (key: (typeof DRAWN_PICTURES)[number]["key"]) => DRAWN_PICTURES.find((picture) => picture.key === key)!;
/** Mean and worst error of single lashes, each measured by itself, mm. */
function lashErrors(key: (typeof DRAWN_PICTURES)[number]["key"], marks: PictureMarks, ownCurlDeg: number) {
  const { truth } = drawn(key);
  const errors = marks.lashes.map((lash, i) => {
    const result = measureClosed({ ...marks, lashes: [lash] }, ownCurlDeg);
    if ("problem" in result) throw new Error(result.problem);
    return result.places[0]!.lengthMm - truth.lashesMm[i]!;
  });
  return { worst: Math.max(...errors.map(Math.abs)), mean: errors.reduce((sum, mm) => sum + mm, 0) / errors.length };
}
const measured = (key: (typeof DRAWN_PICTURES)[number]["key"], change: Partial<PictureMarks> = {}, ownCurlDeg = 0) => {
  const result = measureClosed({ ...drawn(key).marks, ...change }, ownCurlDeg);
  if ("problem" in result) throw new Error(result.problem);
  return result;
};

// True measures are those the pictures were drawn from (derived: an arc of 26 mm by 1.09 radians is 28.34 mm).
test.each(["flat", "turned"] as const)("%s: lash line and every lash within 0.3 mm of the truth, by one scale alone", (key) => {
  const result = measured(key, { across: null });
  expect(Math.abs(result.lashLineMm! - 28.34)).toBeLessThan(0.3);
  expect(lashErrors(key, { ...drawn(key).marks, across: null }, 0).worst).toBeLessThan(0.3);
});
test("turned: the scale says by how much", () => {
  expect(measured("turned").turnedDeg).toBeCloseTo(17, 0);
});
test("leaning 27° from the camera: far off by one scale, within 0.3 mm once a second length takes the lean out", () => {
  const one = { ...drawn("leaning").marks, across: null };
  expect(lashErrors("leaning", one, 0).worst).toBeGreaterThan(0.6);
  const result = measured("leaning");
  expect(result.tiltDeg).toBeGreaterThan(24);
  expect(result.tiltDeg).toBeLessThan(30);
  expect(Math.abs(result.lashLineMm! - 28.34)).toBeLessThan(0.3);
  expect(lashErrors("leaning", drawn("leaning").marks, 0).worst).toBeLessThan(0.3);
});
test("curled 55° towards the camera: read over a millimetre short; told of the curl, what is left lies within the spread shown", () => {
  expect(lashErrors("curled", drawn("curled").marks, 0).mean).toBeLessThan(-1);
  const left = lashErrors("curled", drawn("curled").marks, 55);
  const result = measured("curled", {}, 55);
  expect(Math.abs(left.mean)).toBeLessThan(0.6);
  expect(Math.abs(left.mean)).toBeLessThan(result.lashOffMm);
  for (const place of result.places) expect(place.spreadMm).toBeGreaterThanOrEqual(result.lashOffMm);
});
test("an arc of 60°: 1.047 of its chord, 1.209 of what is seen of it from above (derived)", () => {
  const { factor, off } = curlFactor(60);
  expect(factor - off).toBeCloseTo(Math.PI / 6 / Math.sin(Math.PI / 6), 9);
  expect(factor + off).toBeCloseTo(Math.PI / 3 / Math.sin(Math.PI / 3), 9);
  expect(curlFactor(0)).toEqual({ factor: 1, off: 0 });
});
test("places run outwards with the lashes they stand for, and the survey can take them", () => {
  const result = measured("flat");
  expect(result.places).toHaveLength(5);
  expect(result.places.reduce((sum, { lashes }) => sum + lashes, 0)).toBe(17);
  result.places.slice(1).forEach((place, i) => expect(place.at).toBeGreaterThan(result.places[i]!.at));
});

test("open eye: every landmark within a hundredth of the lid, whichever way the scale was tapped", () => {
  const { marks, truth } = drawn("open");
  const scale = marks.scale!;
  for (const tapped of [marks, { ...marks, scale: { ...scale, from: scale.to, to: scale.from } }, { ...marks, across: null }]) {
    const result = measureOpen(tapped);
    if ("problem" in result) throw new Error(result.problem);
    for (const key of ["irisInner", "pupil", "irisOuter", "browPeak"] as const)
      expect(Math.abs(result.landmarks[key] - truth.landmarks![key])).toBeLessThan(0.01);
    expect(result.lidMm).toBeCloseTo(truth.lashLineMm, 0);
    expect(result.outerRiseDeg).toBeGreaterThan(1.5);
  }
});

test("known lengths come out as what they are, however the plane lies (property)", () => {
  const place = fc.tuple(fc.double({ min: 0, max: 2000, noNaN: true }), fc.double({ min: 0, max: 2000, noNaN: true }));
  fc.assert(
    fc.property(
      place,
      place,
      place,
      fc.double({ min: 5, max: 60, noNaN: true }),
      fc.double({ min: 5, max: 60, noNaN: true }),
      (from, to, other, a, b) => {
        fc.pre(Math.hypot(to[0] - from[0], to[1] - from[1]) > 50 && Math.hypot(other[0] - from[0], other[1] - from[1]) > 50);
        const plane = picturePlane({ from, to, mm: a }, { from, to: other, mm: b });
        if ("problem" in plane) return;
        const mm = (p: typeof from, q: typeof from) => Math.hypot(plane.toMm(p)[0] - plane.toMm(q)[0], plane.toMm(p)[1] - plane.toMm(q)[1]);
        expect(mm(from, to)).toBeCloseTo(a, 6);
        expect(mm(from, other)).toBeCloseTo(b, 6);
        // Square to each other on the pad: Pythagoras.
        expect(mm(to, other)).toBeCloseTo(Math.hypot(a, b), 6);
      },
    ),
    { seed: 91 },
  );
});

test("a curve through points of a circle is as long as its arc", () => {
  const arc = Array.from({ length: 9 }, (_, i) => [20 * Math.cos(i / 8), 20 * Math.sin(i / 8)] as const);
  expect(lengthOf(curveThrough(arc))).toBeCloseTo(20, 1);
});

describe("what cannot be measured is said in words", () => {
  const { marks } = drawn("flat");
  test.each<[string, PictureMarks, RegExp]>([
    ["no scale", { ...marks, scale: null }, /scale first/],
    ["a second length along the first", { ...marks, across: { ...marks.scale!, mm: 10 } }, /right angles/],
  ])("%s", (_, spoilt, words) => expect(measureClosed(spoilt, 0)).toMatchObject({ problem: expect.stringMatching(words) as string }));
  test.each<[string, (open: PictureMarks) => PictureMarks, RegExp]>([
    ["nothing marked", () => ({ ...noMarks, scale: marks.scale }), /Still to mark: inner corner/],
    [
      "landmarks that cross",
      (open) => ({ ...open, places: { ...open.places, pupil: open.places.irisOuter!, irisOuter: open.places.pupil! } }),
      /marks cross/,
    ],
    ["corners on each other", (open) => ({ ...open, places: { ...open.places, outerCorner: open.places.innerCorner! } }), /corners/],
  ])("%s", (_, spoil, words) =>
    expect(measureOpen(spoil(drawn("open").marks))).toMatchObject({ problem: expect.stringMatching(words) as string }),
  );
  test.each([
    ["a scale of zero", { scale: { ...marks.scale!, mm: 0 } }],
    ["a scale of no length", { scale: { ...marks.scale!, to: marks.scale!.from } }],
    ["a mark at infinity", { line: [[Infinity, 2]] }],
    ["a lash of one tap", { lashes: [[[3, 4]]] }],
  ])("%s is refused", (_, change) => expect(pictureMarksSchema.safeParse({ ...marks, ...change }).success).toBe(false));
});

test("of several pictures the newest that says anything counts, each eye and kind by itself", () => {
  const scaleOnly = { ...drawn("flat").marks, line: [], lashes: [] };
  const closed = (marks: PictureMarks, side: "right" | "left" = "right") => ({ side, kind: "closed" as const, marks });
  const { right, left } = newestMeasures([closed(scaleOnly), closed(drawn("turned").marks), closed(drawn("flat").marks)], 0);
  expect(right.closed?.turnedDeg).toBeCloseTo(17, 0);
  expect([right.open, left]).toEqual([undefined, {}]);
  expect(newestMeasures([closed(noMarks, "left")], 0)).toEqual({ right: {}, left: {} });
  // The same marks on a picture of an open eye are none of its own.
  expect(newestMeasures([{ side: "right", kind: "open", marks: drawn("flat").marks }], 0).right.closed).toBeUndefined();
});
