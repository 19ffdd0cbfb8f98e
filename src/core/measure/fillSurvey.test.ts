import { surveySchema, usualSurvey } from "../eye";
import { fillSurvey, type Measured } from ".";

type Closed = NonNullable<Measured["right"]["closed"]>;
type Open = NonNullable<Measured["right"]["open"]>;
const places = (...lengths: number[]) =>
  lengths.map((lengthMm, i) => ({ at: (i + 0.5) / lengths.length, lengthMm, spreadMm: 0.5, lashes: 6 }));
const closed = (change: Partial<Closed>): Closed => ({ lashLineMm: 29.04, places: places(7.04, 9.96, 9.02, 8.3), ...change }) as Closed;
const open = (change: Partial<Open>): Open =>
  ({ lidMm: 27, shape: "upturned", landmarks: { irisInner: 0.3, pupil: 0.47, irisOuter: 0.63, browPeak: 0.7 }, ...change }) as Open;
const usual = usualSurvey();

test("nothing measured leaves the survey as it was", () => expect(fillSurvey(usual, { right: {}, left: {} })).toEqual(usual));

test("a closed eye gives lash line and lengths to the tenth of a millimetre; what no picture shows comes from the nearest place", () => {
  const coarse = { ...usual, eyes: { ...usual.eyes, right: { ...usual.eyes.right } } };
  coarse.eyes.right = {
    ...coarse.eyes.right,
    points: coarse.eyes.right.points.map((p, i) => (i === 2 ? { ...p, diameter: "coarse" } : p)),
  };
  const { eyes } = fillSurvey(coarse, { right: { closed: closed({}) }, left: {} });
  expect(eyes.right.lashLineMm).toBe(29);
  expect(eyes.right.points.map(({ lengthMm }) => lengthMm)).toEqual([7, 10, 9, 8.3]);
  expect(eyes.right.points.map(({ diameter }) => diameter)).toEqual(["medium", "medium", "medium", "coarse"]);
  expect(eyes.left).toEqual(usual.eyes.left);
});

test("one measured lash is no line: the surveyed places stay", () => {
  expect(fillSurvey(usual, { right: { closed: closed({ places: places(9) }) }, left: {} }).eyes.right.points).toEqual(
    usual.eyes.right.points,
  );
});

test("an open eye gives landmarks and outline, and the lash line only where no closed one does", () => {
  const alone = fillSurvey(usual, { right: { open: open({}) }, left: {} }).eyes.right;
  expect(alone).toMatchObject({ lashLineMm: 27, shape: "upturned", landmarks: { pupil: 0.47 } });
  expect(fillSurvey(usual, { right: { open: open({}), closed: closed({}) }, left: {} }).eyes.right.lashLineMm).toBe(29);
});

test("what a person called hooded stays hooded: a fold hides from an outline", () => {
  const hooded = { ...usual, eyes: { ...usual.eyes, left: { ...usual.eyes.left, shape: "hooded" as const } } };
  expect(fillSurvey(hooded, { right: {}, left: { open: open({}) } }).eyes.left.shape).toBe("hooded");
});

test("spreads that no survey may carry are held at what it may", () => {
  const wild = places(8, 9).map((place, i) => ({ ...place, spreadMm: i ? 9 : 0 }));
  const filled = fillSurvey(usual, { right: { closed: closed({ places: wild }) }, left: {} });
  expect(filled.eyes.right.points.map(({ spreadMm }) => spreadMm)).toEqual([0.1, 3]);
  expect(surveySchema.safeParse(filled).success).toBe(true);
});
