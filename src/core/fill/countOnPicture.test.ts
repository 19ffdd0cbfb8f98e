import { noMarks, pictureMarksDocument, type LeftMark } from "../measure";
import { countOnPicture } from ".";

const zones = [
  { side: "right" as const, layer: 0, zone: 1, from: 0, to: 0.25 },
  { side: "right" as const, layer: 0, zone: 2, from: 0.25, to: 0.6 },
  { side: "right" as const, layer: 0, zone: 3, from: 0.6, to: 1 },
];
/** Marks beside a line of 400 px from left to right, at fractions of it. */
const marksAt = (...of: readonly [along: number, is?: LeftMark, layer?: number][]) => ({
  line: [
    [100, 300],
    [500, 300],
  ] as [number, number][],
  left: of.map(([along, is = "on", layer = 0]) => ({ at: [100 + 400 * along, 288] as [number, number], is, layer })),
});
const counted = (marks: Parameters<typeof countOnPicture>[0]) =>
  countOnPicture(marks, zones)?.map(({ left, twisted, outgrown }) => [left, twisted, outgrown]);

test("each mark belongs to the zone it stands over; what is twisted or outgrown is on as well", () => {
  expect(counted(marksAt([0.1], [0.2], [0.3], [0.9, "outgrown"], [0.95]))).toEqual([
    [2, null, 0],
    [1, null, 0],
    [2, null, 1],
  ]);
  expect(counted(marksAt([0.1, "twisted"], [0.5]))).toEqual([
    [1, 1, null],
    [1, 0, null],
    [0, 0, null],
  ]);
});
test("the edge is the outer zone's, the ends hold what lies past them", () => {
  expect(counted(marksAt([0.249], [0.2501], [-0.2], [1.3]))!.map(([left]) => left)).toEqual([2, 1, 1]);
});
test("along a line that bends it is the way along it that counts", () => {
  const bent: [number, number][] = [
    [100, 300],
    [100, 100],
    [300, 100],
  ];
  // 40 px up the first leg of 400 px in all, give or take the curve: a tenth of the way.
  expect(counted({ line: bent, left: [{ at: [95, 260], is: "on", layer: 0 }] })!.map(([left]) => left)).toEqual([1, 0, 0]);
  expect(counted({ line: bent, left: [{ at: [290, 95], is: "on", layer: 0 }] })!.map(([left]) => left)).toEqual([0, 0, 1]);
});
test("marks of another layer are another count; without a line there is none; with one and no mark nothing is on", () => {
  expect(counted(marksAt([0.1, "on", 1], [0.1]))!.map(([left]) => left)).toEqual([1, 0, 0]);
  expect(counted({ ...marksAt([0.1]), line: [[100, 300]] })).toBeUndefined();
  expect(counted(marksAt())).toEqual([
    [0, null, null],
    [0, null, null],
    [0, null, null],
  ]);
});
test("layers that leave stretches out: a mark there belongs to what lies nearest", () => {
  const apart = [zones[0]!, { ...zones[2]!, from: 0.8 }];
  expect(countOnPicture(marksAt([0.4], [0.7]), apart)!.map(({ left }) => left)).toEqual([1, 1]);
});
test("marks kept before extensions were counted on pictures are read as ever", () => {
  const { left: _, ...older } = { ...noMarks, version: 1 as const };
  expect(pictureMarksDocument.upgrade!(older)).toEqual(noMarks);
});
