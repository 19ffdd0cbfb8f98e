import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { surveyOf } from "../../../tests/support/surveys";
import { planMap, wornLashes, type LashMap } from "../map";
import { placementPlan } from "../placing/placementPlan";
import { EMPTY_PLACING } from "../placing/work";
import { defaultPolicy } from "../policy";
import { bareBelowDays, countedShare, fillMinutes, fillOrNewSet, keptOf, leftInZones, wornAtEnd, wornOn, zonesFound } from ".";
import { NOTHING_FOUND, type FillWork, type LeftCounted } from "./work";

const survey = surveyOf([7, 9.5, 8.5], { babyShare: 0.1 });
const mapOf = (look: "doll" | "cat"): LashMap => planMap(survey, classicWish(look), defaultPolicy, WIDE_SHELF)!.map;
const map = mapOf("doll");
const before = { visitId: "v", leftAtMs: 0, map, survey, worn: wornLashes(map, survey) };
const asExpected = { days: 21, hazardPerDay: 0.0117, bareBelowDays: 0, cycleDays: 90 };
const zones = zonesFound(before, NOTHING_FOUND, asExpected);
const at = ({ side, layer, zone, role, from, to }: (typeof zones)[number]) => ({ side, layer, zone, role, from, to });
const countedOf = (left: (worn: number, i: number) => number, some = zones): LeftCounted[] =>
  some.map((zone, i) => ({ ...at(zone), setVisitId: "v", left: left(zone.worn, i), twisted: null, outgrown: null, by: "pads", atMs: i }));
const found = (change: Partial<FillWork>): FillWork => ({ ...NOTHING_FOUND, ...change });
const total = ({ zones }: ReturnType<typeof wornLashes>) => zones.reduce((sum, { singles, fans }) => sum + singles + fans, 0);

describe("the set that is found", () => {
  test("every zone that wore something, and what may be expected of it: 60 % at 21 days (handbook of the trade)", () => {
    expect(zones.reduce((sum, { worn }) => sum + worn, 0)).toBe(total(before.worn));
    const widest = zones.reduce((a, b) => (b.worn > a.worn ? b : a));
    expect(widest.expected).toBe(Math.round(widest.worn * 0.6));
    // 84.4 % at 14 days by nature alone.
    expect(zonesFound(before, NOTHING_FOUND, { ...asExpected, days: 14, hazardPerDay: 0 })[0]!.expected).toBe(
      Math.round(zones[0]!.worn * 0.8444),
    );
    expect(zones.every(({ counted, off }) => counted === null && off === 0)).toBe(true);
  });
  test("a zone that the map no longer has is left out, not guessed", () => {
    const odd = { ...before, worn: { ...before.worn, zones: [{ ...before.worn.zones[0]!, zone: 39 }, before.worn.zones[1]!] } };
    expect(zonesFound(odd, NOTHING_FOUND, asExpected)).toHaveLength(1);
  });
  test("the share counted is of the zones that were counted only", () => {
    expect(countedShare(zones)).toBeNull();
    const some = countedOf((worn) => worn - 2, zones.slice(0, 3));
    const counted = zonesFound(before, found({ counted: some }), asExpected);
    const worn = zones.slice(0, 3).reduce((sum, zone) => sum + zone.worn, 0);
    expect(countedShare(counted)).toEqual({ left: worn - 6, worn });
  });
  test("judged zone by zone: only what was counted, by the heaviest fibre and how far its lashes still grow", () => {
    const counted = zonesFound(before, found({ counted: countedOf(() => 4, zones.slice(2, 5)) }), asExpected);
    const judged = leftInZones(before, counted, defaultPolicy);
    expect(judged.map(({ zone, left, planned }) => [zone, left, planned])).toEqual(
      zones.slice(2, 5).map(({ zone, worn }) => [zone, 4, worn]),
    );
    for (const { lacking } of judged) {
      // Full grown are all but the longest twentieth; the further, the fewer, and none lacks more than it is long.
      expect(lacking(0)).toBeCloseTo(0.95, 3);
      expect(lacking(1)).toBeLessThan(lacking(0));
      expect(lacking(15)).toBeCloseTo(0, 6);
    }
    // The same lengths in 0.25 are too heavy as soon as they are on; in 0.03 growth never makes them so.
    const inFibre = (diameterMm: number): LashMap => {
      const layers = (side: "right" | "left") =>
        map.eyes[side].layers.map((layer) => ({ ...layer, zones: layer.zones.map((one) => one && { ...one, diameterMm }) }));
      return {
        ...map,
        eyes: { right: { ...map.eyes.right, layers: layers("right") }, left: { ...map.eyes.left, layers: layers("left") } },
      };
    };
    const stops = (diameterMm: number) =>
      leftInZones({ ...before, map: inFibre(diameterMm) }, counted, defaultPolicy).map(({ stopsAtMm }) => stopsAtMm);
    expect(stops(0.25)).toEqual([0, 0, 0]);
    expect(stops(0.03)).toEqual([null, null, null]);
  });
});

describe("what stays on", () => {
  test("what was counted less what came off there, and no less than none", () => {
    const [one, two] = countedOf(() => 6, zones.slice(0, 2));
    const off = [
      { ...at(zones[0]!), n: 2, hurt: false, atMs: 1 },
      { ...at(zones[0]!), n: 1, hurt: true, atMs: 2 },
      { ...at(zones[1]!), n: 9, hurt: false, atMs: 3 },
    ];
    expect(keptOf({ counted: [one!, two!], off }).map(({ n }) => n)).toEqual([3, 0]);
    expect(zonesFound(before, found({ counted: [one!], off }), asExpected).map((zone) => zone.off)).toEqual([
      3,
      9,
      ...zones.slice(2).map(() => 0),
    ]);
  });
});

describe("what the client leaves with", () => {
  const end = (fill: FillWork, isFill: boolean, placing = EMPTY_PLACING, of = map) =>
    wornAtEnd(of, survey, { fill, placing, zonesDone: [] }, isFill);
  const kept = found({ counted: countedOf((worn) => Math.floor(worn / 2)) });
  const { spots } = placementPlan(map, survey);
  const oneLash = { ...EMPTY_PLACING, lashes: [{ side: spots[0]!.side, layer: 0, zone: spots[0]!.zone, piece: 0, n: 3, atMs: 1 }] };

  test("a new set: what was tapped; where nothing was, what its map asks for", () => {
    expect(end(NOTHING_FOUND, false)).toEqual(wornLashes(map, survey));
    expect(total(end(NOTHING_FOUND, false, oneLash))).toBe(3);
    // What is said of a set before is no part of a new one.
    expect(end(kept, false)).toEqual(wornLashes(map, survey));
  });
  test("a fill: what was left and what was placed together, zone by zone", () => {
    const keptN = keptOf(kept).reduce((sum, { n }) => sum + n, 0);
    expect(total(end(kept, true))).toBe(total(before.worn));
    const few = end(kept, true, oneLash);
    expect(total(few)).toBe(keptN + 3);
    expect(few.zones[0]).toMatchObject({ side: "right", zone: 1, singles: Math.floor(zones[0]!.worn / 2) + 3, fans: 0, isKnown: true });
    expect(wornOn(few, "right") + wornOn(few, "left")).toBe(keptN + 3);
    expect(few.zones.every(({ isKnown }) => isKnown)).toBe(true);
  });
  test("taken off is not worn", () => {
    const off = [{ ...at(zones[0]!), n: 2, hurt: false, atMs: 1 }];
    expect(total(end({ ...kept, off }, true, oneLash))).toBe(total(end(kept, true, oneLash)) - 2);
  });
  test("what was not counted is not known, zone by zone; nothing is where nothing was", () => {
    const some = end(found({ counted: countedOf((worn) => worn - 1, zones.slice(0, 2)) }), true);
    expect(some.zones.filter(({ isKnown }) => isKnown).map(({ side, zone }) => [side, zone])).toEqual([
      ["right", 1],
      ["right", 2],
    ]);
    expect(end(NOTHING_FOUND, true).zones.some(({ isKnown }) => isKnown)).toBe(false);
    expect(total(end(NOTHING_FOUND, true))).toBe(total(before.worn));
  });
  test("by another map: what is kept stands in the zones that lie there now", () => {
    const other = mapOf("cat");
    const keptN = keptOf(kept).reduce((sum, { n }) => sum + n, 0);
    const worn = end(kept, true, { ...oneLash, lashes: [{ ...oneLash.lashes[0]!, n: 1 }] }, other);
    expect(total(worn)).toBe(keptN + 1);
    expect(worn.zones.every(({ isKnown }) => isKnown)).toBe(true);
  });
});

test("lashes left bare: the baby ones that wear nothing, as a share of the cycle", () => {
  // One in ten is a baby lash, and 0.15 is not put on them: 9 of 90 days (handbook of the trade).
  expect(bareBelowDays(map, survey, 90)).toBeCloseTo(9, 0);
  expect(bareBelowDays(map, survey, 100)).toBeCloseTo((bareBelowDays(map, survey, 90) * 10) / 9, 9);
  expect(bareBelowDays(mapOf("doll"), surveyOf([7, 9.5, 8.5], { babyShare: 0 }), 90)).toBe(0);
});

describe("fill or new set, and its minutes", () => {
  test.each([
    [79, 200, "newSet"],
    [80, 200, "fill"],
    [0, 200, "newSet"],
    [0, 0, "fill"],
  ])("%i of %i left is a %s by the usual line of 40 %%", (left, worn, is) => expect(fillOrNewSet({ left, worn }, defaultPolicy)).toBe(is));
  test("the studio's own line", () => expect(fillOrNewSet({ left: 90, worn: 200 }, { newSetBelowPercent: 50 })).toBe("newSet"));
  test("each gap by the hand's pace on that eye, each removal by the studio's figure", () => {
    const { spots } = placementPlan(map, survey);
    const right = spots.filter(({ side }) => side === "right").reduce((sum, { planned }) => sum + planned, 0);
    const left = spots.filter(({ side }) => side === "left").reduce((sum, { planned }) => sum + planned, 0);
    const minutes = fillMinutes({ spots }, 10, (side, isFan) => (isFan ? 600 : side === "right" ? 30 : 36), { removalSeconds: 12 });
    expect(minutes).toEqual({ off: 2, place: Math.round((right * 30 + left * 36) / 60) });
  });
});
