import fc from "fast-check";
import { classicWish, WIDE_SHELF } from "../../../tests/support/planShares";
import { randomSurveys } from "../../../tests/support/randomSurveys";
import { surveyOf } from "../../../tests/support/surveys";
import { SIDES, usualSurvey } from "../eye";
import { placements, planMap, type LashMap, type LookId, type MapWish } from "../map";
import { defaultPolicy } from "../policy";
import {
  everyOther,
  lashesInTurn,
  leadOf,
  nextLash,
  placementPlan,
  progressOf,
  schoolsFor,
  spotKey,
  stageOf,
  unevenBy,
  waitS,
  wetNeighbourS,
  type OrderSchools,
  type PlacementPlan,
  type PlannedSpot,
  type PlacingWork,
} from ".";

type Lash = PlacingWork["lashes"][number];
const accents: NonNullable<MapWish["accents"]> = {
  offsetMm: 3,
  placing: { every: 4, cluster: 1, innerEvery: 2 },
  fibre: { curl: "C", diameterMm: 0.07, shape: "round", count: 3, opening: "closed" },
};
const mapOf = (survey = surveyOf([7, 9.5, 8.5]), look: LookId = "doll", change: Partial<MapWish> = {}): LashMap =>
  planMap(survey, classicWish(look, change), defaultPolicy, WIDE_SHELF)!.map;

/** One lash after another as the school says, every so many seconds. What each step saw is handed to `look`. */
function work(
  plan: PlacementPlan,
  schools: OrderSchools,
  { wetS = 46, paceS = 21, lashes = [] as Lash[] } = {},
  look: (spot: PlannedSpot, wait: number, lashes: readonly Lash[], nowMs: number) => void = () => undefined,
): Lash[] {
  const placed = [...lashes];
  let nowMs = placed.at(-1)?.atMs ?? 0;
  const inTurn = lashesInTurn(wetS, paceS);
  // A plan that is never done would go on for ever: twice its lashes are too many.
  for (let i = 0; i < 2 * (plan.worn.right + plan.worn.left) + 2; i++) {
    const next = nextLash(plan, progressOf(plan, { lashes: placed, redone: [] }), { schools, inTurn, wetS, nowMs });
    if (!next) return placed;
    look(next.spot, next.waitS, placed, nowMs);
    const { side, layer, zone, piece } = next.spot;
    placed.push({ side, layer, zone, piece, n: 1, atMs: nowMs });
    nowMs += paceS * 1000;
  }
  throw new Error("The order never came to an end.");
}

const schools = (change: Partial<OrderSchools> = {}): OrderSchools => ({
  eyeOrder: defaultPolicy.eyeOrder,
  layerOrder: defaultPolicy.layerOrder,
  cornersAfterPercent: defaultPolicy.cornersAfterPercent,
  ...change,
});
const EYE_ORDERS = ["alternate", "outsideIn", "outerInnerMiddle", "easiest", "oneEye"] as const;
const LAYER_ORDERS = ["baseFirst", "accentsFirst", "fansFirst", "longFirst"] as const;

/** Clients as they come, in any look, with accents, an under layer or fans mixed in, worked in any school at any pace. */
const anySet = fc
  .record({
    seed: fc.integer({ min: 1, max: 500 }),
    look: fc.constantFrom<LookId>("natural", "doll", "cat", "squirrel"),
    mixed: fc.constantFrom<Partial<MapWish>>({}, { accents }),
    eyeOrder: fc.constantFrom(...EYE_ORDERS),
    layerOrder: fc.constantFrom(...LAYER_ORDERS),
    cornersAfterPercent: fc.constantFrom(0, 80, 85, 90, 100),
    wetS: fc.integer({ min: 30, max: 200 }),
    paceS: fc.integer({ min: 8, max: 90 }),
  })
  .map(({ seed, look, mixed, wetS, paceS, ...school }) => {
    const survey = randomSurveys(1, seed)[0]!;
    return { plan: placementPlan(mapOf(survey, look, mixed), survey), school, wetS, paceS };
  });
const RUNS = { seed: 16, numRuns: 25 };

describe("what is planned", () => {
  const survey = surveyOf([7, 9.5, 8.5]);
  const map = mapOf(survey, "doll", { accents });
  const plan = placementPlan(map, survey);

  test("is every lash that wears something, each in one spot, as the drawing counts them", () => {
    for (const side of SIDES) {
      const worn = placements(map, survey, side).filter((placement) => placement.worn);
      expect(plan.worn[side]).toBe(worn.length);
      const slots = plan.spots.filter((spot) => spot.side === side).flatMap((spot) => spot.slots);
      expect([...slots].sort((a, b) => a - b)).toEqual(worn.map((_, i) => i));
      for (const spot of plan.spots.filter((one) => one.side === side))
        expect(spot.planned).toBe(worn.filter(({ worn: w }) => w!.layer === spot.layer && w!.zone + 1 === spot.zone).length);
    }
  });
  test("fans and singles of one zone are counted apart, and so are the short lashes between the long", () => {
    const mix = structuredClone(map);
    const zone = mix.eyes.right.layers[0]!.zones[5]!;
    zone.hybrid = { fibre: { ...zone, diameterMm: 0.05, count: 5 }, share: 0.5, pattern: "alternate" };
    delete (zone.hybrid.fibre as { hybrid?: unknown }).hybrid;
    const spots = placementPlan(mix, survey).spots.filter(({ side, layer, zone }) => side === "right" && layer === 0 && zone === 6);
    expect(spots.map(({ piece, isFan, planned }) => [piece > 0, isFan, planned])).toEqual([
      [false, false, 10],
      [true, true, 10],
    ]);
  });
  test("corners are what lies wholly in the first and the last fifth", () => {
    const corners = plan.spots.filter(({ side, role, isCorner }) => side === "right" && role === "base" && isCorner);
    expect(corners.every(({ from, to }) => to <= 0.2 || from >= 0.8)).toBe(true);
    const others = plan.spots.filter(({ side, role, isCorner }) => side === "right" && role === "base" && !isCorner);
    expect(others.every(({ from, to }) => to > 0.2 && from < 0.8)).toBe(true);
  });
  test("neighbours of a zone come as late as can be", () => {
    expect(everyOther([4, 5, 6, 7, 8])).toEqual([4, 6, 8, 5, 7]);
    expect(everyOther([1, 2, 9, 10, 14])).toEqual([1, 9, 14, 2, 10]);
    expect(everyOther([])).toEqual([]);
  });
});

describe("when a neighbour is safe", () => {
  test("after 20 set times, never before 30 s, 60 s where nobody read the air", () => {
    expect(wetNeighbourS(2.3)).toBeCloseTo(46, 9);
    expect(wetNeighbourS(1)).toBe(30);
    expect(wetNeighbourS(null)).toBe(60);
  });
  test("so many lashes on one eye that what lies there is safe when the hands come back", () => {
    expect([lashesInTurn(46, 21), lashesInTurn(46, 46), lashesInTurn(46, 47), lashesInTurn(30, 36), lashesInTurn(60, 1)]).toEqual([
      3, 1, 1, 1, 6,
    ]);
    expect(lashesInTurn(46, 0)).toBe(6);
  });
  test("a lash is waited for by the one beside it, whichever zone that is of, and by no other", () => {
    const survey = surveyOf([7, 9.5, 8.5]);
    const plan = placementPlan(mapOf(survey), survey);
    const spotAt = (place: number) => plan.spots.find(({ side, slots }) => side === "right" && slots.includes(place))!;
    const six = plan.spots.find(({ side, zone }) => side === "right" && zone === 6)!;
    const five = spotAt(Math.min(...six.slots) - 1);
    const lash = (spot: PlannedSpot, n: number, atMs: number): Lash => ({ side: "right", layer: 0, zone: spot.zone, piece: 0, n, atMs });
    // All of zone 5 at 0 s: the first lash of zone 6 stands beside its last one.
    const after = progressOf(plan, { lashes: [lash(five, five.planned, 0)], redone: [] });
    expect(waitS(six, after, 46, 20_000)).toBe(26);
    expect(waitS(six, after, 46, 46_000)).toBe(0);
    // With one of zone 6 placed, the next slot of it has none beside it.
    const second = progressOf(plan, { lashes: [lash(five, five.planned, 0), lash(six, 1, 1000)], redone: [] });
    expect(waitS(six, second, 46, 20_000)).toBe(0);
    // Set anew, its glue is wet again: which lash of the zone it was is not said.
    const filled = progressOf(plan, { lashes: [lash(six, 9, 0)], redone: [] });
    const redone = progressOf(plan, { lashes: [lash(six, 9, 0)], redone: [{ ...lash(six, 1, 90_000), why: "leaned" }] });
    expect([waitS(six, filled, 46, 100_000), waitS(six, redone, 46, 100_000)]).toEqual([0, 36]);
  });
});

describe("the order, whoever works and whatever the map", () => {
  test("each planned lash comes exactly once", () => {
    fc.assert(
      fc.property(anySet, ({ plan, school, wetS, paceS }) => {
        const counts = new Map<number, number>();
        for (const lash of work(plan, school, { wetS, paceS })) counts.set(spotKey(lash), (counts.get(spotKey(lash)) ?? 0) + lash.n);
        expect(counts).toEqual(new Map(plan.spots.map((spot) => [spotKey(spot), spot.planned])));
      }),
      RUNS,
    );
  });
  test("eyes in turn are even to within one turn at every moment; one eye at a time is done before the other begins", () => {
    fc.assert(
      fc.property(anySet, ({ plan, school, wetS, paceS }) => {
        const bound = lashesInTurn(wetS, paceS) + 1e-9;
        const lashes = work(plan, school, { wetS, paceS });
        const total = progressOf(plan, { lashes, redone: [] }).planned;
        for (let i = 1; i <= lashes.length; i++) {
          const { placed } = progressOf(plan, { lashes: lashes.slice(0, i), redone: [] });
          if (school.eyeOrder === "oneEye") expect(placed.right === total.right || placed.left === 0).toBe(true);
          else for (const side of SIDES) expect(leadOf(side, { placed, planned: total })).toBeLessThanOrEqual(bound + ratio(total));
        }
      }),
      { ...RUNS, numRuns: 12 },
    );
  });
  /** Where eyes differ, one lash of the smaller plan is more than one of the larger. */
  const ratio = ({ right, left }: { right: number; left: number }) => Math.max(right, left) / Math.min(right, left) - 1;

  test("no lash is placed beside a wet one where the eye, or the other in its turn, has a safe place", () => {
    fc.assert(
      fc.property(anySet, ({ plan, school, wetS, paceS }) => {
        work(plan, school, { wetS, paceS }, (spot, wait, lashes, nowMs) => {
          const progress = progressOf(plan, { lashes, redone: [] });
          expect(waitS(spot, progress, wetS, nowMs)).toBe(wait);
          if (wait === 0) return;
          const stages = plan.spots.filter((one) => one.side === spot.side && progress.of(one).placed < one.planned);
          const stage = Math.min(...stages.map((one) => stageOf(one, school)));
          const open = stages.filter((one) => stageOf(one, school) === stage);
          const waits = open
            .filter(({ isCorner }) => !isCorner || open.every((one) => one.isCorner))
            .map((one) => waitS(one, progress, wetS, nowMs));
          expect(Math.min(...waits)).toBeGreaterThanOrEqual(wait);
        });
      }),
      { ...RUNS, numRuns: 25 },
    );
  });
});

describe("each school", () => {
  const survey = surveyOf([7, 9.5, 8.5]);
  const plan = placementPlan(mapOf(survey, "doll", { accents }), survey);
  const spotOf = (lash: Lash) => plan.spots.find((spot) => spotKey(spot) === spotKey(lash))!;
  const worked = (change: Partial<OrderSchools>) => work(plan, schools(change)).map(spotOf);
  const zonesOf = (spots: readonly PlannedSpot[]) => spots.map(({ side, zone }) => `${side[0]}${zone}`);

  test("frame first: a lash in every zone but the corners, the longest first, three an eye in turn at 21 s and 46 s", () => {
    expect(zonesOf(worked({}).slice(0, 12))).toEqual(["r5", "r4", "r6", "l5", "l4", "l6", "r7", "r3", "r6", "l7", "l3", "l6"]);
    // At the pace of a beginner, the eye changes with every lash.
    expect(zonesOf(work(plan, schools(), { paceS: 60 }).slice(0, 8).map(spotOf))).toEqual(["r5", "l5", "r4", "l4", "r6", "l6", "r7", "l7"]);
  });
  test.each([80, 85, 90])("corners after %i % of the rest of the base", (percent) => {
    const spots = worked({ cornersAfterPercent: percent }).filter(({ side, role }) => side === "right" && role === "base");
    const first = spots.findIndex(({ isCorner }) => isCorner);
    const rest = spots.filter(({ isCorner }) => !isCorner).length;
    expect(first / rest).toBeGreaterThanOrEqual(percent / 100);
    expect(first / rest).toBeLessThan(percent / 100 + 0.06);
  });
  test("outside to inside: a zone once the one outside it is full, or all but a lash that is wet", () => {
    const right = worked({ eyeOrder: "outsideIn" }).filter(({ side, role }) => side === "right" && role === "base");
    const zones = right.map(({ zone }) => zone);
    const inOrder = [...zones].sort((a, b) => b - a);
    expect(zones.every((zone, i) => Math.abs(zone - inOrder[i]!) <= 1)).toBe(true);
    expect(zones.filter((zone, i) => zone !== inOrder[i]).length).toBeLessThan(zones.length / 10);
  });
  test("outer, inner, then the middle", () => {
    const thirds = worked({ eyeOrder: "outerInnerMiddle" })
      .filter(({ side, role }) => side === "left" && role === "base")
      .map(({ from, to }) => (from + to) / 2)
      .map((at) => (at > 2 / 3 ? "outer" : at < 1 / 3 ? "inner" : "middle"));
    expect(thirds.filter((third, i) => third !== thirds[i - 1])).toEqual(["outer", "inner", "middle"]);
  });
  test("easiest first: the first round goes through all zones but the corners, each as far from the last as can be", () => {
    const frame = zonesOf(worked({ eyeOrder: "easiest" }).slice(0, 8));
    expect(frame.filter((zone) => zone.startsWith("r"))).toEqual(["r3", "r7", "r4", "r5", "r6"]);
    expect(new Set(frame.map((zone) => zone.slice(1)))).toEqual(new Set(["3", "4", "5", "6", "7"]));
  });
  test("one eye at a time is framed and filled like any, then the other", () => {
    const spots = worked({ eyeOrder: "oneEye" });
    expect(spots.map(({ side }) => side).filter((side, i, all) => side !== all[i - 1])).toEqual(["right", "left"]);
    expect(zonesOf(spots.slice(0, 5))).toEqual(["r5", "r4", "r6", "r7", "r3"]);
  });
  test("layers: base then accents, or accents from the outer end and then the base", () => {
    const roles = (change: Partial<OrderSchools>) =>
      worked(change)
        .filter(({ side }) => side === "right")
        .map(({ role }) => role)
        .filter((role, i, all) => role !== all[i - 1]);
    expect(roles({})).toEqual(["base", "accent"]);
    expect(roles({ layerOrder: "accentsFirst" })).toEqual(["accent", "base"]);
    const accentsOf = worked({ layerOrder: "accentsFirst" }).filter(
      ({ side, role, isCorner }) => side === "right" && role === "accent" && !isCorner,
    );
    expect(accentsOf.slice(0, 6).map(({ zone }) => zone)).toEqual([8, 7, 6, 5, 4, 3]);
  });
  test("on a fill accents come first whatever the studio's school says", () => {
    const roles = (service: "fill" | "newSet") => work(plan, schoolsFor(service, defaultPolicy)).map((lash) => spotOf(lash).role);
    expect([roles("newSet")[0], roles("fill")[0]]).toEqual(["base", "accent"]);
    expect(schoolsFor("fill", { ...defaultPolicy, eyeOrder: "oneEye" }).eyeOrder).toBe("oneEye");
  });
  test("fans then singles beneath; long lashes then the short between", () => {
    const fans = worked({ layerOrder: "fansFirst" }).filter(({ side }) => side === "right");
    expect(fans.map(({ isFan }) => isFan).filter((is, i, all) => is !== all[i - 1])).toEqual([true, false]);
    const mix = mapOf(survey);
    for (const zone of mix.eyes.right.layers[0]!.zones)
      if (zone && zone.lengthMm > 7) zone.support = { lengthMm: zone.lengthMm - 2, every: 3 };
    const supported = placementPlan(mix, survey);
    const pieces = work(supported, schools({ layerOrder: "longFirst" }))
      .filter(({ side }) => side === "right")
      .map(({ piece }) => piece);
    expect(pieces.filter((piece, i, all) => piece !== all[i - 1])).toHaveLength(2);
    expect(pieces[0]).toBe(0);
  });
  test("what was done in an order of one's own is gone on from: the eye that lags is taken", () => {
    const lashes: Lash[] = Array.from({ length: 8 }, (_, i) => ({ side: "left", layer: 0, zone: 6, piece: 0, n: 1, atMs: i * 1000 }));
    const after = work(plan, schools(), { lashes }).slice(8, 20);
    expect(after.slice(0, 8).map(({ side }) => side)).toEqual(Array(8).fill("right"));
    expect(after.slice(8).map(({ side }) => side)).toContain("left");
  });
});

describe("how far it has come", () => {
  const survey = usualSurvey();
  const plan = placementPlan(mapOf(survey), survey);
  const spot = plan.spots.find(({ side, zone }) => side === "right" && zone === 4)!;
  const lash = (n: number, over: Partial<Lash> = {}): Lash => ({ side: "right", layer: 0, zone: 4, piece: 0, n, atMs: 5000, ...over });

  test("more than was planned is counted and fills no place; what the map has not is counted apart", () => {
    const progress = progressOf(plan, { lashes: [lash(spot.planned + 3), lash(2, { zone: 39 }), lash(1, { layer: 7 })], redone: [] });
    expect(progress.of(spot)).toMatchObject({ placed: spot.planned + 3, lastAtMs: 5000 });
    expect(progress.elsewhere).toBe(3);
    expect(progress.placed.right).toBe(spot.planned + 3);
    expect(progress.line.right.filter((at) => at !== null)).toHaveLength(spot.planned);
    expect(waitS(spot, progress, 46, 5000)).toBe(0);
  });
  test("a zone said to be done holds what it was planned with, and no less than was tapped", () => {
    const done = { side: "right" as const, layer: 0, zone: 4, atMs: 9000 };
    expect(progressOf(plan, { lashes: [lash(2)], redone: [] }, [done]).of(spot)).toMatchObject({ placed: spot.planned, lastAtMs: 9000 });
    expect(progressOf(plan, { lashes: [lash(spot.planned + 1)], redone: [] }, [done]).of(spot).placed).toBe(spot.planned + 1);
  });
  test("redone where nothing was placed changes nothing", () => {
    const redone = [{ ...lash(1), why: "twisted" as const }];
    expect(progressOf(plan, { lashes: [], redone }).of(spot)).toEqual({ placed: 0, lastAtMs: null, redoneAtMs: null, again: 0 });
  });
  test("which eye is ahead, in whole lashes", () => {
    expect(unevenBy(progressOf(plan, { lashes: [lash(3)], redone: [] }))).toEqual({ side: "right", lashes: 3 });
    expect(unevenBy(progressOf(plan, { lashes: [lash(3), lash(3, { side: "left" })], redone: [] }))).toBeNull();
    expect(unevenBy(progressOf(plan, { lashes: [lash(1), lash(3, { side: "left" })], redone: [] }))).toEqual({ side: "left", lashes: 2 });
  });
  test("the turn counts lashes of one eye in a row", () => {
    expect(progressOf(plan, { lashes: [], redone: [] }).turn).toBeNull();
    expect(progressOf(plan, { lashes: [lash(2, { side: "left" }), lash(1), lash(4)], redone: [] }).turn).toEqual({
      side: "right",
      lashes: 5,
    });
  });
});
