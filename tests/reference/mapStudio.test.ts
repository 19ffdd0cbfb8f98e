import fc from "fast-check";
import { contactLengthMm, CURL_IDS, CURLS, liftAndReach } from "@/core/curl";
import { fieldOf, lashField, usualSurvey } from "@/core/eye";
import { bondSurvival, naturalSurvival, USUAL_BOND_HAZARD } from "@/core/growth";
import { lengthForLift, equalCount, fibreMassMg } from "@/core/lash";
import {
  equivalents,
  judgeLoad,
  lashMapSchema,
  limitCosts,
  mapFacts,
  mapFindings,
  PLAN_LIMITS,
  accentLashes,
  placements,
  planMap,
  zoneEdges,
  zoneLimit,
  type LashMap,
  type Layer,
  type MapWish,
} from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import { randomSurveys } from "../support/randomSurveys";
import { lengthsFrom, surveyArbitrary, surveyOf, trayOf, traysArbitrary } from "../support/surveys";

const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
const wish: MapWish = { title: "test", look: "squirrel", school: { id: "browPeak" }, fibre: single, longestMm: null, coupling: "mirrored" };
const fine = trayOf(lengthsFrom(5, 18), { diameterMm: 0.07 });
const trays = [
  trayOf(lengthsFrom(5, 18)),
  fine,
  trayOf(lengthsFrom(5, 18), { diameterMm: 0.05 }),
  trayOf(lengthsFrom(5, 18), { curl: "L" }),
];

describe("equal cross-section (handbook: n₁d₁² = n₂d₂²)", () => {
  test("one 0.15 weighs as 9 of 0.05, 4.59 of 0.07, 25 of 0.03", () => {
    const of = (diameterMm: number) => equalCount(single, { diameterMm, shape: "round" });
    expect(of(0.05)).toBeCloseTo(9, 9);
    expect(of(0.07)).toBeCloseTo(4.59, 2);
    expect(of(0.03)).toBeCloseTo(25, 9);
  });
  test("swapped where whole fibres come out even, the mass is kept; else it says how far off (property)", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 18 }),
        fc.constantFrom(0.05, 0.07, 0.1, 0.15, 0.2),
        fc.integer({ min: 1, max: 16 }),
        (lengthMm, diameterMm, count) => {
          const fibre = { ...single, lengthMm, diameterMm, count };
          const shelf = [0.03, 0.05, 0.07, 0.1, 0.15].map((d) => trayOf([lengthMm], { diameterMm: d }));
          for (const { fibre: other, exactCount, massRatio } of equivalents(fibre, shelf)) {
            expect(fibreMassMg(other) / fibreMassMg(fibre)).toBeCloseTo(massRatio, 9);
            if (Math.abs(exactCount - Math.round(exactCount)) < 1e-9) expect(massRatio).toBeCloseTo(1, 9);
            expect(Math.abs(massRatio - 1)).toBeLessThanOrEqual(1 / 3);
          }
        },
      ),
      { seed: 101 },
    );
    expect(equivalents({ ...single, lengthMm: 12 }, trays)[0]).toMatchObject({
      fibre: { diameterMm: 0.05, count: 9 },
      massRatio: expect.closeTo(1, 9) as number,
    });
  });
});

describe("curls at equal lift", () => {
  test("the length found lifts as far as wished, and nothing shorter does (property)", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CURL_IDS),
        fc.double({ min: 1, max: 14, noNaN: true }),
        fc.double({ min: -25, max: 20, noNaN: true }),
        (id, lift, angle) => {
          const length = lengthForLift(CURLS[id], lift, angle);
          const liftOf = (mm: number) => liftAndReach(CURLS[id], mm, angle).liftMm;
          if (length === null) return expect(Math.max(...[5, 8, 12, 15, 18].map(liftOf))).toBeLessThan(lift);
          expect(liftOf(length)).toBeGreaterThan(lift - 1e-6);
          if (length > 5.3) expect(liftOf(length - 0.3)).toBeLessThan(lift);
        },
      ),
      { seed: 102 },
    );
  });
  test("on down lashes L lifts like D (handbook: 5.32 and 5.12 at 12 mm); on level ones a C of 12 lifts 6.80", () => {
    expect(lengthForLift(CURLS.D, 5.12, -25)).toBeCloseTo(12, 1);
    expect(lengthForLift(CURLS.L, 5.32, -25)).toBeCloseTo(12, 1);
    expect(lengthForLift(CURLS.C, 6.8, 0)).toBeCloseTo(12, 1);
  });
});

test("survival (handbook): 84.4 % of natural lashes at 14 days and 76.7 % at 21; 70.0 % at 21 where those under 20 days were left bare; 78.3 % of bonds at 21", () => {
  expect(naturalSurvival(14)).toBeCloseTo(0.844, 3);
  expect(naturalSurvival(21)).toBeCloseTo(0.767, 3);
  expect(naturalSurvival(21, 20)).toBeCloseTo(0.7, 3);
  expect(USUAL_BOND_HAZARD * 21).toBeCloseTo(-Math.log(0.783), 2);
  expect(bondSurvival(21, 1.4)).toBeCloseTo(0.783, 2);
  // The usual placement is C 12 on a lash that turns 30° over 9 mm: 1.40 mm of contact.
  expect(contactLengthMm(CURLS.C, 12, 30, 9)).toBeCloseTo(1.4, 2);
});

describe("accents go where a hand would put them: on the longest of every few", () => {
  const placings = fc.constantFrom(
    { every: 4, cluster: 1, innerEvery: 2 },
    { every: 3, cluster: 1, innerEvery: 2 },
    { every: 6, cluster: 3, innerEvery: 2 },
    { every: 4, cluster: 3, innerEvery: 3 },
  );
  test("no lash beside one picked by itself is longer, none is a baby lash, and neighbours are never both picked (property)", () => {
    fc.assert(
      fc.property(surveyArbitrary, fc.constantFrom("right" as const, "left" as const), (survey, side) => {
        const usable = fieldOf(survey, side).filter(({ baby }) => !baby);
        const picked = accentLashes(survey, side, { every: 4, cluster: 1, innerEvery: 2 });
        const places = picked.map((lash) => usable.indexOf(lash));
        expect(places).not.toContain(-1);
        places.slice(1).forEach((place, i) => expect(place - places[i]!).toBeGreaterThan(1));
        // One to every four, or to every two on a single row; a stretch too short for a group goes without.
        const of = (rows: (n: number) => boolean) => [picked, usable].map((lashes) => lashes.filter((lash) => rows(lash.rows)).length);
        const [some, all] = of((n) => n > 1);
        expect(Math.abs(some! - all! / 4)).toBeLessThanOrEqual(2.5);
        const [few, single] = of((n) => n === 1);
        expect(Math.abs(few! - single! / 2)).toBeLessThanOrEqual(single! / 6 + 1.5);
      }),
      { numRuns: 60, seed: 107 },
    );
  });
  test("they are longer than the lashes round them, by far (against picking by counting, on 60 surveys)", () => {
    let [longer, counted] = [0, 0];
    for (const survey of randomSurveys(60, 3)) {
      const usable = fieldOf(survey, "right").filter(({ baby }) => !baby);
      const mean = (all: readonly number[]) => all.reduce((sum, mm) => sum + mm, 0) / all.length;
      const over = (lash: (typeof usable)[number]) => {
        const i = usable.indexOf(lash);
        return lash.lengthMm - mean(usable.slice(Math.max(0, i - 4), i + 5).map(({ lengthMm }) => lengthMm));
      };
      longer += mean(accentLashes(survey, "right", { every: 4, cluster: 1, innerEvery: 2 }).map(over));
      counted += mean(usable.filter((_, i) => i % 4 === 0).map(over));
    }
    expect(longer / 60).toBeGreaterThan(0.35);
    expect(Math.abs(counted / 60)).toBeLessThan(0.1);
  });
  test("a cluster takes lashes side by side, and leaves one between (property)", () => {
    fc.assert(
      fc.property(surveyArbitrary, placings, (survey, placing) => {
        const usable = fieldOf(survey, "left").filter(({ baby }) => !baby);
        const taken = new Set(accentLashes(survey, "left", placing));
        let run: typeof usable = [];
        for (const lash of [...usable, null]) {
          if (lash && taken.has(lash)) run.push(lash);
          else {
            if (run.length) expect(run.length).toBe(run[0]!.rows === 1 ? 1 : placing.cluster);
            run = [];
          }
        }
      }),
      { numRuns: 60, seed: 108 },
    );
  });
  test("their limit is read from the very lashes: about a quarter of them are shorter", () => {
    let [short, all] = [0, 0];
    for (const survey of randomSurveys(60, 4)) {
      const picked = accentLashes(survey, "right", { every: 4, cluster: 1, innerEvery: 2 });
      for (let i = 0; i < 8; i++) {
        const edges = { from: i / 8, to: (i + 1) / 8, first: i === 0, last: i === 7 };
        const { shorterMm } = zoneLimit(survey.eyes.right, edges, defaultPolicy, picked);
        const mine = picked.filter(({ at }) => (i === 0 || at > edges.from) && (i === 7 || at <= edges.to));
        all += mine.length;
        // Limits are read to a tenth, never up.
        short += mine.filter(({ lengthMm }) => lengthMm < shorterMm - 1e-9).length;
      }
    }
    expect(short / all).toBeGreaterThan(0.12);
    expect(short / all).toBeLessThan(0.27);
  });
});

describe("zone schools (common practice)", () => {
  const marks = { irisInner: 0.32, pupil: 0.48, irisOuter: 0.64, browPeak: 0.72 };
  test("iris marks: corners, iris edges and half of every gap are the middles of the zones", () => {
    const edges = zoneEdges({ id: "irisMarks" }, marks, "natural");
    expect(edges).toHaveLength(8);
    const middles = [0, 0.16, 0.32, 0.48, 0.64, 0.82, 1];
    middles.slice(1).forEach((mark, i) => expect(edges[i + 1]).toBeCloseTo((middles[i]! + mark) / 2, 9));
  });
  test("two halves: a small corner, short to the pupil, long beyond, shorter at the end", () => {
    const plan = planMap(surveyOf([7.5, 10, 9]), { ...wish, school: { id: "twoHalves" } }, defaultPolicy, trays)!;
    const { zones, boundaries } = plan.map.eyes.right.layers[0]!;
    const [corner, short, inner, long, outer, end] = zones.map((zone) => zone!.lengthMm);
    expect(corner).toBeLessThan(short! + 1);
    expect(Math.max(short!, inner!)).toBeLessThan(Math.max(long!, outer!));
    expect(end).toBeLessThan(outer!);
    expect(boundaries[3]).toBe(usualSurvey().eyes.right.landmarks.pupil);
    expect(boundaries[1]).toBeLessThan(0.1);
  });
  test("iris marks of a look that rises: the outer line lies just inside the corner, which is a zone of its own", () => {
    const edges = zoneEdges({ id: "irisMarks" }, marks, "cat");
    expect(edges).toHaveLength(9);
    expect(edges[7]! - edges[6]!).toBeGreaterThan(0.08);
    expect(1 - edges[7]!).toBeLessThan(0.08);
    expect(zoneEdges({ id: "irisMarks" }, marks, "flatLiner")).toEqual(edges);
  });
  test("iris marks: beside the same zones planned plainly, those between the lines are shorter and those on them are not", () => {
    const survey = surveyOf([9, 10, 10]);
    const policy = { ...defaultPolicy, corners: "graded" as const };
    const edges = zoneEdges({ id: "irisMarks" }, survey.eyes.right.landmarks, "natural");
    const lengths = (school: MapWish["school"]) =>
      planMap(survey, { ...wish, look: "natural", school, longestMm: 12 }, policy, trays)!.map.eyes.right.layers[0]!.zones.map(
        (zone) => zone!.lengthMm,
      );
    const [plain, marked] = [lengths({ id: "own", right: edges, left: edges }), lengths({ id: "irisMarks" })];
    for (const line of [0, 2, 4, 6]) expect(Math.abs(marked[line]! - plain[line]!)).toBeLessThanOrEqual(1);
    const between = [1, 3, 5].map((i) => plain[i]! - marked[i]!);
    expect(Math.min(...between)).toBeGreaterThanOrEqual(0);
    expect(between.reduce((sum, mm) => sum + mm, 0)).toBeGreaterThanOrEqual(2);
  });
  test("by lash: no zones; long fibres on long lashes, short on the short ones between, none past what its own lashes carry", () => {
    for (const lashClasses of [2, 4] as const) {
      const survey = surveyOf([7, 10, 9], { spreadMm: 1 });
      const plan = planMap(survey, { ...wish, school: { id: "byClass" }, lashClasses, look: "natural" }, defaultPolicy, trays)!;
      const layer = plan.map.eyes.right.layers[0]!;
      expect(layer.boundaries).toEqual([0, 0.08, 0.92, 1]);
      const zone = layer.zones[1]!;
      const lengths = [...zone.classes!.map((c) => c.lengthMm!), zone.lengthMm];
      expect(lengths).toEqual([...lengths].sort((a, b) => a - b));
      expect(lengths.length).toBeGreaterThan(1);
      const worn = placements(plan.map, survey, "right").filter(({ worn }) => worn?.zone === 1);
      const long = worn.filter(({ worn }) => worn!.fibre.lengthMm === zone.lengthMm);
      expect(Math.min(...long.map(({ lash }) => lash.lengthMm))).toBeGreaterThan(zone.classes!.at(-1)!.upToMm - 1e-9);
      expect(mapFindings(mapFacts(plan.map, { survey, policy: defaultPolicy, trays })).filter((f) => f.rule === "overExtended")).toEqual(
        [],
      );
    }
  });
});

const accents = {
  offsetMm: 3,
  sections: 5,
  placing: { every: 4, cluster: 1, innerEvery: 2 },
  fibre: { curl: "C" as const, diameterMm: 0.07, shape: "round" as const, count: 3, opening: "closed" as const },
};
const under = { belowMm: 2, sections: 4, fibre: { curl: "C" as const, diameterMm: 0.07, shape: "round" as const, count: 1 } };
const layered: MapWish = { ...wish, school: { id: "equal", zones: 4 }, accents, under };

describe("layers, each with its own partition", () => {
  const survey = surveyOf([8, 10.5, 9.5]);
  const { map } = planMap(survey, layered, { ...defaultPolicy, corners: "graded" }, trays)!;
  test("four base zones under five accent sections and four of the under layer", () => {
    expect(map.eyes.right.layers.map(({ role, zones }) => [role, zones.length])).toEqual([
      ["base", 4],
      ["accent", 5],
      ["under", 4],
    ]);
    expect(lashMapSchema.parse(map)).toEqual(map);
  });
  test("one extension on each lash at most; one accent to every fourth, every second where there is a single row, none on baby lashes", () => {
    const placed = placements(map, survey, "right");
    expect(placed).toHaveLength(lashField(survey.eyes.right, 11).length);
    const usable = placed.filter(({ lash }) => !lash.baby);
    const accented = usable.filter(({ worn }) => worn?.layer === 1);
    const rows = (n: number) => usable.filter(({ lash }) => (n === 1 ? lash.rows === 1 : lash.rows > 1));
    const share = (all: typeof usable) => all.filter(({ worn }) => worn?.layer === 1).length / all.length;
    expect(share(rows(2))).toBeCloseTo(1 / 4, 1);
    expect(share(rows(1))).toBeGreaterThan(0.4);
    expect(accented.length).toBeGreaterThan(10);
    expect(placed.filter(({ lash, worn }) => lash.baby && worn?.layer === 1)).toEqual([]);
    // The under layer lies on the lowest row, and nowhere with a single one.
    for (const { lash, worn } of placed) if (worn?.layer === 2) expect([lash.rows > 1, lash.row]).toEqual([true, lash.rows - 1]);
    expect(placed.some(({ worn }) => worn?.layer === 2)).toBe(true);
  });
  test("clusters of three side by side, and none on a single row", () => {
    const clustered = planMap(
      survey,
      { ...layered, under: undefined, accents: { ...accents, placing: { every: 6, cluster: 3, innerEvery: 2 } } },
      defaultPolicy,
      trays,
    )!.map;
    const usable = placements(clustered, survey, "left").filter(({ lash }) => !lash.baby);
    const runs: number[] = [];
    let run = 0;
    for (const { lash, worn } of usable) {
      if (worn?.layer === 1) run += 1;
      else {
        if (run) runs.push(run);
        if (lash.rows === 1 && run) expect(run).toBe(1);
        run = 0;
      }
    }
    expect(Math.max(...runs)).toBe(3);
  });
});

// Example maps of common practice, inner corner to outer.
const EXAMPLES = [
  { name: "brow peak", base: [7, 8, 9, 10, 11, 12, 11, 10, 9, 8], accents: null },
  { name: "seven and seven, three over", base: [8, 9, 10, 11, 12, 13, 14], accents: [11, 12, 13, 14, 15, 16, 17] },
  { name: "four under five", base: [7, 8, 9, 10], accents: [8, 9, 10, 11, 12] },
  { name: "wet look, the last corner back to 11", base: [8, 9, 10, 11, 12, 13], accents: [11, 12, 13, 14, 15, 11] },
] as const;

const drawn = (base: readonly number[], spikes: readonly number[] | null, kind = single): LashMap => {
  const layer = (role: Layer["role"], lengths: readonly number[], fibre: LashMap["fibre"], more: Partial<Layer> = {}): Layer => ({
    role,
    boundaries: lengths.map((_, i) => i / lengths.length).concat(1),
    zones: lengths.map((lengthMm) => ({ ...fibre, lengthMm })),
    ...more,
  });
  const eye = () => ({
    layers: [
      layer("base", base, kind),
      ...(spikes ? [layer("accent", spikes, accents.fibre, { placing: { every: 4, cluster: 1, innerEvery: 2 } })] : []),
    ],
  });
  return {
    version: 2,
    title: "drawn",
    look: "cat",
    school: { id: "equal", zones: Math.max(3, base.length) },
    fibre: kind,
    longestMm: null,
    coupling: "mirrored",
    differsOnPurpose: false,
    eyes: { right: eye(), left: eye() },
  };
};

describe("the example maps of common practice", () => {
  test.each(EXAMPLES)("$name can be drawn and stored", ({ base, accents }) => {
    const map = drawn(base, accents);
    expect(lashMapSchema.parse(JSON.parse(JSON.stringify(map)))).toEqual(map);
  });
  test("a 17 wants a lash of 14: on ordinary lashes the example carries the findings it deserves, and just on what is too long", () => {
    const survey = surveyOf([8, 10.5, 10], { spreadMm: 0.5 });
    const context = { survey, policy: { ...defaultPolicy, corners: "graded" as const }, trays };
    const over = mapFindings(mapFacts(drawn(EXAMPLES[1].base, EXAMPLES[1].accents), context)).filter((f) => f.rule === "overExtended");
    const spikes = over.filter((f) => f.where.layer === 1);
    expect(spikes.some((f) => f.where.zones[0] === 6 && /a 17 wants a lash of 14/.test(f.why))).toBe(true);
    const facts = mapFacts(drawn(EXAMPLES[1].base, EXAMPLES[1].accents), context);
    for (const side of ["right", "left"] as const)
      for (const zone of facts.layers[side].flat()) {
        const told = over.some((f) => f.where.side === side && (f.where.layer ?? 0) === zone.layer && f.where.zones.includes(zone.index));
        expect(told).toBe(zone.fibre!.lengthMm > zone.limit.overLengthLimitMm + 1e-9);
      }
  });
  test("four base zones under five accents fits a real survey and is planned from it", () => {
    const survey = surveyOf([6.4, 7.5, 8.6], { spreadMm: 0.3 });
    const plan = planMap(
      survey,
      { ...layered, look: "cat", under: undefined, longestMm: 10, accents: { ...accents, offsetMm: 2 } },
      { ...defaultPolicy, corners: "graded", outerDropMm: 0 },
      trays,
    )!;
    const [base, spikes] = plan.map.eyes.right.layers;
    expect(base!.zones.map((zone) => zone!.lengthMm)).toEqual([...base!.zones.map((zone) => zone!.lengthMm)].sort((a, b) => a - b));
    expect(spikes!.zones).toHaveLength(5);
    for (const [i, spike] of spikes!.zones.entries())
      expect(spike!.lengthMm).toBeGreaterThan(base!.zones[Math.min(3, Math.floor((i / 5) * 4))]!.lengthMm - 1e-9);
    expect(
      mapFindings(mapFacts(plan.map, { survey, policy: { ...defaultPolicy, corners: "graded", outerDropMm: 0 }, trays })).filter(
        (f) => f.severity === "stop",
      ),
    ).toEqual([]);
  });
});

test("no planned layer of a map breaks a hard limit of over-length, load or stock (property)", () => {
  let layers = 0;
  fc.assert(
    fc.property(
      surveyArbitrary,
      traysArbitrary,
      fc.constantFrom("mirrored" as const, "each" as const, "level" as const),
      fc.constantFrom<MapWish["school"]>({ id: "irisMarks" }, { id: "twoHalves" }, { id: "equal", zones: 4 }, { id: "browPeak" }),
      (survey, shelf, coupling, school) => {
        const thin = shelf[1]!.lengthsMm.length ? { ...single, diameterMm: 0.1 } : single;
        const plan = planMap(
          survey,
          { ...wish, coupling, school, accents: { ...accents, fibre: thin }, under: { ...under, fibre: thin } },
          defaultPolicy,
          shelf,
        )!;
        const findings = mapFindings(mapFacts(plan.map, { survey, policy: defaultPolicy, trays: shelf }));
        layers += plan.map.eyes.right.layers.length;
        if (plan.breaches.length) return;
        const above = findings.filter((f) => f.severity === "stop");
        expect(above).toEqual([]);
      },
    ),
    { numRuns: 80, seed: 103 },
  );
  expect(layers).toBeGreaterThan(200);
});

test("what a limit costs: the objective with it less without it, never negative, nothing named that costs nothing (property)", () => {
  let named = 0;
  fc.assert(
    fc.property(surveyArbitrary, fc.option(fc.integer({ min: 9, max: 15 }), { nil: null }), (survey, longestMm) => {
      const asked = { ...wish, longestMm };
      const plan = planMap(survey, asked, defaultPolicy, trays)!;
      for (const { limit, costMm2, longerZones, longestMm: hang } of limitCosts(survey, asked, defaultPolicy, trays)) {
        named += 1;
        expect(PLAN_LIMITS).toContain(limit);
        expect(costMm2).toBeGreaterThanOrEqual(0);
        expect(costMm2).toBeLessThanOrEqual(plan.objective + 1e-9);
        expect(costMm2 > 1e-6 || longerZones > 0 || hang > Math.min(plan.longestMm.right, plan.longestMm.left)).toBe(true);
      }
    }),
    { numRuns: 40, seed: 106 },
  );
  expect(named).toBeGreaterThan(20);
});

test("eyes made to be seen level are nearer in lift than each planned for itself, where their lashes differ", () => {
  const right = surveyOf([7.5, 10, 9], { direction: "level" }).eyes.right;
  const left = surveyOf([7.5, 10, 9], { direction: "up" }).eyes.left;
  const survey = { ...usualSurvey(), eyes: { right, left } };
  const apart = (coupling: "each" | "level" | "mirrored") => {
    const plan = planMap(survey, { ...wish, coupling }, { ...defaultPolicy, corners: "graded" }, trays)!;
    const lift = (side: "right" | "left", i: number) => {
      const { zones, boundaries } = plan.map.eyes[side].layers[0]!;
      const limit = zoneLimit(
        survey.eyes[side],
        { from: boundaries[i]!, to: boundaries[i + 1]!, first: i === 0, last: i === 9 },
        defaultPolicy,
      );
      return liftAndReach(CURLS.C, zones[i]!.lengthMm, limit.natural.angleDeg).liftMm;
    };
    return Array.from({ length: 10 }, (_, i) => Math.abs(lift("right", i) - lift("left", i))).reduce((sum, mm) => sum + mm, 0) / 10;
  };
  // No zone is planned shorter than its own lashes for it: that leaves three quarters of a millimetre of lift at the most here.
  expect(apart("level")).toBeLessThan(apart("mirrored") - 0.3);
  expect(apart("level")).toBeLessThan(apart("each") - 0.3);
});

test("handbook's load table holds through a zone's own reckoning: 5D 0.07×12 on fine stops, 16D 0.03×12 looks", () => {
  const { loadOf } = zoneLimit(
    surveyOf([8, 10, 9], { diameter: "fine" }).eyes.right,
    { from: 0.4, to: 0.6, first: false, last: false },
    defaultPolicy,
  );
  const fan = (diameterMm: number, count: number) => ({ lengthMm: 12, diameterMm, shape: "round" as const, count });
  expect(loadOf(fan(0.07, 5)).resting).toBeCloseTo(2.2, 2);
  expect(loadOf(fan(0.03, 16)).resting).toBeCloseTo(1.37, 2);
  expect(judgeLoad(loadOf(fan(0.07, 5)), 5, defaultPolicy)).toBe("stop");
  // Mixed fans are judged by the heaviest of them.
  expect(loadOf({ ...fan(0.07, 3), countTo: 5 }).resting).toBeCloseTo(2.2, 2);
});
