import fc from "fast-check";
import { naturalLashAt, usualSurvey } from "../eye";
import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyArbitrary, surveyOf, trayOf } from "../../../tests/support/surveys";
import { dropCurve } from "./looks/dropCurve";
import {
  baseLayer,
  eyesInView,
  fibreAt,
  innerCornerOnRight,
  judgeLoad,
  lashMapSchema,
  LOOK_IDS,
  LOOKS,
  mapFacts,
  mapTotals,
  nearestStocked,
  nextStocked,
  planMap,
  setZone,
  setZoneLength,
  stockedLengths,
  traySchema,
  turnHalfRound,
  VIEWS,
  zoneEdges,
  zoneLimit,
  type MapWish,
} from ".";

const wish: MapWish = {
  title: "test",
  look: "squirrel",
  school: { id: "browPeak" },
  fibre: { curl: "C", diameterMm: 0.15, shape: "round", count: 1 },
  longestMm: null,
  coupling: "mirrored",
};
const trays = [trayOf(lengthsFrom(6, 13))];
const survey = surveyOf([7.2, 10.2, 9.2]);
const context = { survey, policy: defaultPolicy, trays };
const map = planMap(survey, wish, defaultPolicy, trays)!.map;

describe("looks (common practice: where each is longest)", () => {
  const { landmarks, ...eye } = usualSurvey().eyes.right;
  const places = Array.from({ length: 401 }, (_, i) => i / 400);
  const longestAt = (look: (typeof LOOK_IDS)[number]) => {
    const drop = dropCurve(LOOKS[look], landmarks, eye);
    const least = Math.min(...places.map(drop));
    const at = places.filter((place) => drop(place) < least + 1e-9);
    return (at[0]! + at.at(-1)!) / 2;
  };
  test("doll at the pupil, squirrel under the brow peak, cat past it, natural where the lashes are longest", () => {
    expect(longestAt("doll")).toBeCloseTo(landmarks.pupil, 2);
    expect(longestAt("squirrel")).toBeCloseTo(landmarks.browPeak, 2);
    expect(longestAt("cat")).toBeGreaterThan(landmarks.browPeak);
    // The usual survey's lashes are longest at its middle place.
    expect(Math.abs(longestAt("natural") - 0.5)).toBeLessThan(0.03);
  });
  test("each hangs from its longest fibre and falls towards both corners, on any landmarks", () => {
    fc.assert(
      fc.property(surveyArbitrary, fc.constantFrom(...LOOK_IDS), ({ eyes }, look) => {
        const drop = dropCurve(LOOKS[look], eyes.left.landmarks, eyes.left);
        if (LOOKS[look].followsLashes) {
          // Natural adds the same to within half a millimetre, whatever the lashes.
          const lashAt = naturalLashAt(eyes.left);
          const added = places.map((at) => -drop(at) - lashAt(at).lengthMm);
          expect(Math.max(...added) - Math.min(...added)).toBeLessThan(0.5);
          return;
        }
        expect(Math.min(...places.map(drop))).toBeCloseTo(0, 3);
        expect(drop(0)).toBeGreaterThan(2);
        expect(drop(1)).toBeGreaterThan(1);
      }),
      { numRuns: 60, seed: 51 },
    );
  });
});

describe("zone schools", () => {
  test("brow peak: five to the pupil, the longest from the pupil half way out, four down to the corner", () => {
    const edges = zoneEdges({ id: "browPeak" }, { irisInner: 0.3, pupil: 0.5, irisOuter: 0.65, browPeak: 0.7 }, "natural");
    expect(edges).toHaveLength(11);
    expect(edges[5]).toBe(0.5);
    expect(edges[6]).toBe(0.75);
  });
  test("every school runs from corner to corner, outwards, no zone without width", () => {
    fc.assert(
      fc.property(
        surveyArbitrary,
        fc.constantFrom(
          ...(["browPeak", "irisMarks", "twoHalves", "byClass"] as const).map((id) => ({ id })),
          ...[3, 7, 16].map((zones) => ({ id: "equal" as const, zones })),
        ),
        ({ eyes }, school) => {
          const edges = zoneEdges(school, eyes.right.landmarks, "cat");
          expect([edges[0], edges.at(-1)]).toEqual([0, 1]);
          edges.slice(1).forEach((edge, i) => expect(edge).toBeGreaterThan(edges[i]! + 1e-6));
        },
      ),
      { numRuns: 60, seed: 52 },
    );
  });
});

describe("a zone's limit", () => {
  const edges = { from: 0.4, to: 0.6, first: false, last: false };
  test("the shorter quarter plus 3, 2 on fine lashes; the corners add nothing unless the studio grades them", () => {
    const zone = zoneLimit(survey.eyes.right, edges, defaultPolicy);
    // Read to a tenth of a millimetre, as it was surveyed, and never up.
    expect(zone.limitMm).toBeCloseTo(Math.floor(zone.natural.quantileMm(0.25) * 10) / 10 + 3, 9);
    expect(zoneLimit(surveyOf([7, 10, 9], { diameter: "fine" }).eyes.right, edges, defaultPolicy).overLengthMm).toBe(2);
    const corner = { from: 0, to: 0.1, first: true, last: false };
    const matched = zoneLimit(survey.eyes.right, corner, defaultPolicy);
    // Half way between two lengths the shorter matches: half a millimetre over the usual lash is already too much.
    expect(matched.limitMm).toBeGreaterThan(matched.usualMm + 0.49);
    expect(matched.limitMm).toBeLessThan(matched.usualMm + 0.5);
    const graded = zoneLimit(survey.eyes.right, corner, { ...defaultPolicy, corners: "graded" });
    expect(graded.limitMm - graded.shorterMm).toBeCloseTo(3, 9);
  });
  test("the limit itself suits three lashes in four, in a corner half of them; shorter suits more", () => {
    for (const [place, share] of [
      [edges, 0.75],
      [{ from: 0, to: 0.1, first: true, last: false }, 0.5],
    ] as const) {
      const { limitMm, suits } = zoneLimit(survey.eyes.right, place, defaultPolicy);
      expect(suits(limitMm)).toBeGreaterThanOrEqual(share - 0.01);
      expect(suits(limitMm)).toBeLessThan(share + 0.07);
      expect(suits(limitMm - 1)).toBeGreaterThan(suits(limitMm));
    }
  });
  test("an end zone is a corner up to a fifth of the line", () => {
    const corner = (to: number) => zoneLimit(survey.eyes.right, { from: 0, to, first: true, last: false }, defaultPolicy).corner;
    expect([corner(0.1), corner(0.2), corner(0.21)]).toEqual(["inner", "inner", null]);
  });
  test("load: caution and stop from the studio's own figures, a third more at day 21 on growing lashes", () => {
    const judge = (resting: number, growing: number, count = 1) => judgeLoad({ resting, growing }, count, defaultPolicy);
    expect([judge(1.19, 1.2), judge(1.2, 1.2), judge(1.6, 1.6)]).toEqual(["fine", "look", "stop"]);
    expect([judge(1, 1.61), judge(1, 1.63), judge(1, 2.17)]).toEqual(["fine", "look", "stop"]);
    expect(judge(1.12, 1.12, 5)).toBe("look");
  });
  test("load grows with length, thickness and count (property)", () => {
    const { loadOf } = zoneLimit(survey.eyes.right, edges, defaultPolicy);
    const load = (lengthMm: number, diameterMm: number, count: number) => loadOf({ shape: "round", lengthMm, diameterMm, count });
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 17 }),
        fc.double({ min: 0.03, max: 0.24, noNaN: true }),
        fc.integer({ min: 2, max: 19 }),
        (length, diameter, count) => {
          const loadHere = load(length, diameter, count);
          for (const more of [load(length + 1, diameter, count), load(length, diameter + 0.01, count), load(length, diameter, count + 1)]) {
            expect(more.resting).toBeGreaterThan(loadHere.resting);
            expect(more.growing).toBeGreaterThan(loadHere.growing);
          }
          expect(loadHere.growing).toBeGreaterThanOrEqual(loadHere.resting);
        },
      ),
      { seed: 53 },
    );
  });
});

describe("editing", () => {
  test("a zone is changed alone, and only where there is one", () => {
    const longer = setZoneLength(map, "left", 3, 11);
    expect(baseLayer(longer, "left").zones[3]?.lengthMm).toBe(11);
    expect(longer.eyes.right).toBe(map.eyes.right);
    expect(setZone(map, "right", 99, null)).toBe(map);
    expect(setZone(map, "right", -1, null)).toBe(map);
  });
  test("a bare zone takes up the map's own fibre", () => {
    const bare = setZone(map, "right", 2, null);
    expect(baseLayer(setZoneLength(bare, "right", 2, 8), "right").zones[2]).toEqual({ ...map.fibre, lengthMm: 8 });
  });
  test("the next length in stock skips what has run out; below the shortest comes bare, above the longest stays", () => {
    const stocked = [7, 8, 9, 11];
    expect([nextStocked(stocked, 9, 1), nextStocked(stocked, 9, -1), nextStocked(stocked, 7, -1)]).toEqual([11, 8, null]);
    expect([nextStocked(stocked, 11, 1), nextStocked(stocked, null, 1), nextStocked(stocked, null, -1)]).toEqual([11, 7, null]);
    expect([nearestStocked(stocked, 10), nearestStocked(stocked, 10.1), nearestStocked([], 9)]).toEqual([9, 11, null]);
  });
  test("the fibre at a place is its zone's, to the very corners", () => {
    const { boundaries, zones } = baseLayer(map, "right");
    expect(fibreAt(map, "right", 0)).toBe(zones[0]);
    expect(fibreAt(map, "right", 1)).toBe(zones.at(-1));
    expect(fibreAt(map, "right", (boundaries[4]! + boundaries[5]!) / 2)).toBe(zones[4]);
  });
});

describe("stock", () => {
  test("lengths of one kind from several trays, each once, ascending; other curls and shapes apart", () => {
    const shelf = [trayOf([9, 7]), trayOf([8, 9]), trayOf([12], { curl: "D" }), trayOf([13], { shape: "flat" })];
    expect(stockedLengths(shelf, wish.fibre)).toEqual([7, 8, 9]);
    expect(stockedLengths(shelf, { ...wish.fibre, curl: "M" })).toEqual([]);
  });
  test("a tray holds each length once, and no length that is not sold", () => {
    expect(traySchema.safeParse(trayOf([8, 8])).success).toBe(false);
    expect(traySchema.safeParse(trayOf([26])).success).toBe(false);
    expect(traySchema.safeParse(trayOf([])).success).toBe(true);
  });
  test("with nothing of the fibre in stock there is no plan", () => {
    expect(planMap(survey, { ...wish, fibre: { ...wish.fibre, curl: "M" } }, defaultPolicy, trays)).toBeNull();
  });
});

test("what a map takes: as many extensions as lashes under worn zones, summed by length too", () => {
  const totals = mapTotals(mapFacts(map, context));
  const bare = mapTotals(mapFacts(setZone(map, "right", 5, null), context));
  expect(totals.byLength.reduce((sum, { lashes }) => sum + lashes, 0)).toBe(totals.lashes.right + totals.lashes.left);
  const lengths = totals.byLength.map(({ lengthMm }) => lengthMm);
  expect(lengths).toEqual([...new Set(lengths)].sort((a, b) => a - b));
  expect(bare.lashes.right).toBeLessThan(totals.lashes.right);
  expect(bare.lashes.left).toBe(totals.lashes.left);
  const [heaviest] = mapFacts(map, context)
    .zones.right.concat(mapFacts(map, context).zones.left)
    .map((zone) => zone.limit.loadOf(zone.fibre!).growing)
    .sort((a, b) => b - a);
  expect(totals.heaviest?.growing).toBeCloseTo(heaviest!, 9);
});

describe("which way up", () => {
  test("facing, the client's right is on the left; from the bed head the other way round", () => {
    expect(eyesInView("facing")).toEqual(["right", "left"]);
    expect(eyesInView("bedHead")).toEqual(["left", "right"]);
  });
  test("both inner corners always look at the nose between them", () => {
    for (const view of VIEWS) {
      const [first, second] = eyesInView(view);
      expect(innerCornerOnRight(first, view)).toBe(true);
      expect(innerCornerOnRight(second, view)).toBe(false);
    }
  });
  test("turned half round twice is as before (property)", () => {
    const point = fc.tuple(fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true }));
    fc.assert(
      fc.property(fc.array(point), point, (points, centre) => {
        turnHalfRound(turnHalfRound(points, centre), centre).forEach(([x, y], i) => {
          expect(x).toBeCloseTo(points[i]![0], 8);
          expect(y).toBeCloseTo(points[i]![1], 8);
        });
      }),
      { seed: 54 },
    );
  });
});

test("every planned map is a lawful map document", () => {
  fc.assert(
    fc.property(surveyArbitrary, fc.constantFrom(...LOOK_IDS), (someSurvey, look) => {
      const plan = planMap(someSurvey, { ...wish, look }, defaultPolicy, trays)!;
      expect(lashMapSchema.parse(plan.map)).toEqual(plan.map);
    }),
    { numRuns: 40, seed: 55 },
  );
});
