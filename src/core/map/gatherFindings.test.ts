import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyOf, trayOf } from "../../../tests/support/surveys";
import {
  findingKey,
  gatherFindings,
  mapFacts,
  mapFindings,
  planMap,
  setZoneLength,
  stretchWords,
  swapEverywhere,
  zonesWords,
  type LashMap,
} from ".";

const survey = surveyOf([8, 10, 9], { spreadMm: 0.3, babyShare: 0 });
const context = { survey, policy: defaultPolicy, trays: [trayOf(lengthsFrom(6, 15)), trayOf(lengthsFrom(6, 15), { curl: "L" })] };
const fibre = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
const { map } = planMap(
  survey,
  { title: "t", look: "natural", school: { id: "equal", zones: 7 }, fibre, longestMm: null, coupling: "mirrored" },
  defaultPolicy,
  context.trays,
)!;
const tall = (...zones: readonly (readonly ["right" | "left", number, number])[]): LashMap =>
  zones.reduce((drawn, [side, zone, mm]) => setZoneLength(drawn, side, zone, mm), map);
const told = (drawn: LashMap, rule: string, over = context) =>
  gatherFindings(mapFindings(mapFacts(drawn, over))).filter((finding) => finding.rule === rule);

test("the same stop on both eyes is told once, and one fix mends both", () => {
  const [stop, ...more] = told(tall(["right", 3, 15], ["left", 3, 15]), "overExtended");
  expect(more).toEqual([]);
  expect(stop!.title).toBe("Both eyes, zone 4");
  const mended = mapFindings(mapFacts(stop!.fix!.apply(tall(["right", 3, 15], ["left", 3, 15])), context));
  expect(mended.filter(({ rule }) => rule === "overExtended" || rule === "unintendedAsymmetry")).toEqual([]);
});
test("what only one eye deserves stays that eye's", () => {
  expect(told(tall(["left", 3, 15]), "overExtended").map(({ where, title }) => [where.side, title])).toEqual([
    ["left", "Client's left, zone 4"],
  ]);
});
test("a stretch is told once, at its worst, with one fix that mends each zone in its way", () => {
  const drawn = tall(["right", 1, 13], ["right", 2, 15], ["right", 3, 14]);
  const [stop, ...more] = told(drawn, "overExtended");
  expect(more).toEqual([]);
  expect(stop).toMatchObject({ title: "Client's right, zones 2 to 4", where: { side: "right", zones: [1, 2, 3] } });
  expect(stop!.why).toMatch(/^Most in zone 3: 15 mm stands/);
  expect(stop!.fix!.label).toBe("Shorten each to its limit");
  const mended = stop!.fix!.apply(drawn).eyes.right.layers[0]!.zones.map((zone) => zone!.lengthMm);
  expect(told(stop!.fix!.apply(drawn), "overExtended")).toEqual([]);
  expect(Math.max(...mended)).toBeLessThan(14);
});
test("where the eyes differ each is named with its own zones, and findings keep keys of their own", () => {
  const drawn = tall(["right", 2, 14], ["left", 3, 15], ["left", 4, 15]);
  const [stop] = told(drawn, "overExtended");
  expect(stop!.title).toBe("Client's right, zone 3; client's left, zones 4 and 5");
  expect(stop!.where.each).toEqual([
    { side: "right", zones: [2] },
    { side: "left", zones: [3, 4] },
  ]);
  const all = gatherFindings(mapFindings(mapFacts(drawn, context))).map(findingKey);
  expect(new Set(all).size).toBe(all.length);
});
test("a curl that does not seat is one finding with one fix, the other curl throughout", () => {
  const down = { ...context, survey: surveyOf([8, 10, 9], { spreadMm: 0.3, babyShare: 0, direction: "down", ownCurl: "straight" }) };
  const seats = told(map, "cannotSeat", down);
  expect(seats.map(({ title, fix }) => [title, fix?.label])).toEqual([
    ["Both eyes, zones 1 to 7, C does not seat", "Take L 0.15 throughout"],
  ]);
  const mended = seats[0]!.fix!.apply(map);
  expect(mended).toEqual(swapEverywhere(map, fibre, { ...fibre, curl: "L" }));
  expect(told(mended, "cannotSeat", down)).toEqual([]);
});
test("places in words", () => {
  expect(zonesWords([4])).toBe("zone 5");
  expect(zonesWords([5, 4])).toBe("zones 5 and 6");
  expect(zonesWords([0, 2, 3, 4, 6])).toBe("zones 1, 3 to 5 and 7");
  expect(zonesWords([1, 2], "accent")).toBe("accents 2 and 3");
  expect(stretchWords([])).toBe("");
  expect(stretchWords([{ side: "left", zones: [] }])).toBe("client's left");
  expect(
    stretchWords([
      { side: "right", zones: [1] },
      { side: "left", zones: [1] },
    ]),
  ).toBe("both eyes, zone 2");
});
