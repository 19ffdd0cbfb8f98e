import { landmarkWithin } from "./landmarkWithin";

const marks = { irisInner: 0.3, pupil: 0.45, irisOuter: 0.6, browPeak: 0.7 };
test.each([
  ["irisInner", -1, 0.02],
  ["irisInner", 0.9, 0.438],
  ["pupil", 0, 0.312],
  ["pupil", 1, 0.588],
  ["irisOuter", 0, 0.462],
  ["irisOuter", 2, 0.98],
  ["browPeak", 0, 0.462],
  ["browPeak", 1, 0.98],
  ["pupil", 0.5, 0.5],
] as const)("%s pulled to %f stops at %f", (mark, at, stops) => expect(landmarkWithin(marks, mark, at)).toBeCloseTo(stops, 9));
test("a brow's peak nearer than the iris's edge holds the pupil back as well", () =>
  expect(landmarkWithin({ ...marks, browPeak: 0.5 }, "pupil", 1)).toBeCloseTo(0.488, 9));
