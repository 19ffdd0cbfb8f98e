import fc from "fast-check";
import { usualSurvey } from "../eye";
import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyOf, trayOf } from "../../../tests/support/surveys";
import { compareMaps, mergeZones, moveEdge, planMap, setZone, setZoneLength, splitZone, type LashMap, type MapWish } from ".";

const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
const fan = { curl: "D" as const, diameterMm: 0.05, shape: "round" as const, count: 4 };
const wish: MapWish = {
  title: "test",
  look: "squirrel",
  school: { id: "browPeak" },
  fibre: single,
  longestMm: null,
  coupling: "mirrored",
  accents: { offsetMm: 3, sections: 5, placing: { every: 4, cluster: 1, innerEvery: 2 }, fibre: { ...fan, opening: "closed" } },
  under: { belowMm: 2, sections: 4, fibre: single },
};
const trays = [trayOf(lengthsFrom(5, 15)), trayOf(lengthsFrom(5, 15), { curl: "D", diameterMm: 0.05 })];
const { map } = planMap(surveyOf([7.2, 10.2, 9.2]), wish, defaultPolicy, trays)!;
const base = map.eyes.right.layers.findIndex(({ role }) => role === "base");
const told = (after: LashMap) => compareMaps(map, after).map(({ what }) => what);
const { landmarks } = usualSurvey().eyes.right;

test.each<[string, LashMap, string]>([
  ["a look", { ...map, look: "cat" }, "look"],
  ["a bent look", { ...map, bend: [0, 1].map((at) => ({ at, dropMm: 2 })) }, "look"],
  ["a zone school", { ...map, school: { id: "equal", zones: 7 } }, "zones"],
  ["its number of zones", { ...map, school: { id: "equal", zones: 5 } }, "zones"],
  ["the wished longest", { ...map, longestMm: 11 }, "longest"],
  ["how the eyes are coupled", { ...map, coupling: "level" }, "eyes"],
  ["a difference on purpose", { ...map, differsOnPurpose: true }, "eyes"],
  ["accents put closer", { ...map, accents: { ...map.accents!, placing: { every: 3, cluster: 1, innerEvery: 2 } } }, "accents"],
  ["an under layer left out", { ...map, under: undefined }, "under layer"],
  ["a hybrid", { ...map, hybrid: { share: 0.5, pattern: "alternate", fibre: fan } }, "hybrid"],
  ["classes of lash", { ...map, lashClasses: 2 }, "classes of lash"],
  ["a limit of its own", { ...map, limits: { overLengthMm: 4 } }, "limits of its own"],
  ["landmarks of its own", { ...map, landmarks: { right: landmarks, left: landmarks } }, "client's right, landmarks"],
  ["one length", setZoneLength(map, "right", 3, 12), "client's right"],
  ["a bare zone", setZone(map, "left", 3, null), "client's left"],
  ["one zone's curl", setZone(map, "left", 3, { ...fan, lengthMm: 9 }), "client's left"],
  ["one accent's length", setZoneLength(map, "right", 2, 14, base === 0 ? 1 : 0), "client's right, accents"],
  ["a zone line", moveEdge(map, "right", base, 4, 0.46), "client's right, zone lines"],
  ["a split zone", splitZone(map, "right", base, 2), "client's right"],
  ["joined zones", mergeZones(map, "right", base, 2), "client's right"],
])("%s is told", (_, after, what) => expect(told(after)).toContain(what));

test("a title is no difference, and each difference reads both ways round", () => {
  expect(told({ ...map, title: "another" })).toEqual([]);
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 8 }), fc.integer({ min: 5, max: 15 }), fc.constantFrom("right", "left"), (zone, mm, side) => {
      const after = setZoneLength(map, side, zone, mm);
      const [there, back] = [compareMaps(map, after), compareMaps(after, map)];
      expect(back).toEqual(there.map(({ what, before, after }) => ({ what, before: after, after: before })));
      expect(there.length === 0).toBe(map.eyes[side].layers[base]!.zones[zone]!.lengthMm === mm);
    }),
    { seed: 21 },
  );
});

/** Every number and choice of a document, with a small lawful change made to each in turn. */
function* changes(value: unknown, path: readonly (string | number)[] = []): Generator<readonly [path: string, changed: unknown]> {
  if (Array.isArray(value)) {
    for (const [i, one] of value.entries())
      for (const [at, changed] of changes(one, [...path, i])) yield [at, value.map((old: unknown, k) => (k === i ? changed : old))];
  } else if (typeof value === "object" && value !== null) {
    for (const [key, one] of Object.entries(value))
      for (const [at, changed] of changes(one, [...path, key])) yield [at, { ...value, [key]: changed }];
  } else if (typeof value === "number") {
    const share = value > 0 && value < 1;
    yield [path.join("."), value + (path.at(-1) === "diameterMm" ? 0.01 : path.at(-1) === "share" ? 0.05 : share ? 0.002 : 1)];
  } else if (typeof value === "boolean") yield [path.join("."), !value];
  else if (typeof value === "string") {
    const other = OTHERS.find((choices) => choices.includes(value))?.find((choice) => choice !== value);
    if (other) yield [path.join("."), other];
  }
}
const OTHERS: readonly (readonly string[])[] = [
  ["squirrel", "cat"],
  ["browPeak", "twoHalves"],
  ["mirrored", "level"],
  ["C", "D"],
  ["round", "flat"],
  ["alternate", "scattered"],
  ["closed", "wide"],
  ["brown", "black"],
];

test("whatever is changed, no two different maps are called the same: every figure and choice of a full map, one at a time", () => {
  const full = planMap(
    surveyOf([7.2, 10.2, 9.2]),
    {
      ...wish,
      lashClasses: 2,
      hybrid: { share: 0.4, pattern: "alternate", fibre: { ...fan, colour: "brown" } },
      limits: { overLengthMm: 4 },
      bend: [0, 0.5, 1].map((at) => ({ at, dropMm: 4 - 4 * at })),
      landmarks: { right: landmarks, left: landmarks },
    },
    defaultPolicy,
    [...trays, trayOf(lengthsFrom(5, 15), { curl: "D", diameterMm: 0.05, colour: "brown" })],
  )!.map;
  const silent: string[] = [];
  let tried = 0;
  for (const [at, changed] of changes(full)) {
    // The outer ends of a line stand still, and the version is not the map's.
    if (/^(version|eyes\.\w+\.layers\.\d+\.boundaries\.0)$/.test(at)) continue;
    if (at.includes("boundaries") && full.eyes.right.layers.some(({ boundaries }) => at.endsWith(`.${boundaries.length - 1}`))) continue;
    tried += 1;
    if (compareMaps(full, changed as LashMap).length === 0) silent.push(at);
  }
  expect(tried).toBeGreaterThan(250);
  expect(silent).toEqual([]);
});
