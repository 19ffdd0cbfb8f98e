import { belowLook, markOf, zoneEdges } from ".";

// Where the schools draw their lines. Common practice; the shares that are this product's own are told as such.
const marks = { irisInner: 0.3, pupil: 0.5, irisOuter: 0.7, browPeak: 0.75 };
const rounded = (edges: readonly number[]) => edges.map((edge) => Math.round(edge * 1e4) / 1e4);

test("two halves: a small corner, the short half and the long one cut in two, a few at the outer end", () => {
  expect(rounded(zoneEdges({ id: "twoHalves" }, marks, "natural"))).toEqual([0, 0.08, 0.29, 0.5, 0.705, 0.91, 1]);
  expect([0, 1, 2, 3, 4, 5].map((i) => belowLook({ id: "twoHalves" }, i))).toEqual([0, 1, 1, 0, 0, 0]);
});

test("iris marks of a look that rises: the outer line three quarters of the way from the iris, the corner a zone of its own", () => {
  // Lines at 0, 0.3, 0.7 and 0.7 + 0.74 × 0.3 = 0.922 (a share of this product's); zones end half way between a line and a half.
  expect(rounded(zoneEdges({ id: "irisMarks" }, marks, "cat"))).toEqual([0, 0.075, 0.225, 0.4, 0.6, 0.7555, 0.8665, 0.961, 1]);
  expect(rounded(zoneEdges({ id: "irisMarks" }, marks, "doll"))).toEqual([0, 0.075, 0.225, 0.4, 0.6, 0.775, 0.925, 1]);
  expect([0, 1, 2, 3].map((i) => markOf({ id: "irisMarks" }, i))).toEqual(["on", "between", "on", "between"]);
  expect([0, 1, 2, 3].map((i) => belowLook({ id: "irisMarks" }, i))).toEqual([0, 1, 0, 1]);
});
