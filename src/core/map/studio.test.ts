import fc from "fast-check";
import { CURLS } from "../curl";
import { usualSurvey, type EyeShape } from "../eye";
import { fibreMassMg } from "../lash";
import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyArbitrary, surveyOf, trayOf } from "../../../tests/support/surveys";
import {
  baseLayer,
  compareMaps,
  curlsAtEqualLift,
  fibreCurl,
  fibreOnLash,
  judgeLoad,
  lashMapSchema,
  liftAtLandmarks,
  lookAdvice,
  lookAlikes,
  darknessWords,
  mapDarkness,
  mapFacts,
  mapPolicy,
  mapTitle,
  mapTotals,
  mergeZones,
  mirrorMap,
  moveEdge,
  NARROWEST_ZONE,
  onBothEyes,
  pickList,
  planMap,
  ranOut,
  setZone,
  splitZone,
  wishLike,
  withoutEmpty,
  zoneLimit,
  type MapWish,
} from ".";

const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
const wish: MapWish = { title: "test", look: "squirrel", school: { id: "browPeak" }, fibre: single, longestMm: null, coupling: "mirrored" };
const trays = [
  trayOf(lengthsFrom(6, 14)),
  trayOf(lengthsFrom(6, 14), { diameterMm: 0.1 }),
  trayOf(lengthsFrom(6, 14), { curl: "D" }),
  trayOf(lengthsFrom(6, 14), { curl: "D", diameterMm: 0.05 }),
];
const survey = surveyOf([7.2, 10.2, 9.2]);
const context = { survey, policy: defaultPolicy, trays };
const { map } = planMap(survey, wish, defaultPolicy, trays)!;
const facts = mapFacts(map, context);

describe("zones drawn by hand", () => {
  const edges = (m: typeof map) => baseLayer(m, "right").boundaries;
  test("split, then joined again: the same line, now a partition of one's own", () => {
    const split = splitZone(map, "right", 0, 3);
    expect(edges(split)).toHaveLength(12);
    expect(edges(split)[4]).toBeCloseTo((edges(map)[3]! + edges(map)[4]!) / 2, 9);
    expect(split.school).toMatchObject({ id: "own", left: edges(mirrorMap(map)) });
    const joined = mergeZones(split, "right", 0, 3);
    expect(edges(joined)).toEqual(edges(map));
    expect(baseLayer(joined, "right").zones).toEqual(baseLayer(map, "right").zones);
    expect(lashMapSchema.parse(split)).toEqual(split);
  });
  test("joined zones keep the shorter fibre; a bare one gives way to what is worn", () => {
    const [a, b] = [baseLayer(map, "right").zones[0]!, baseLayer(map, "right").zones[1]!];
    expect(baseLayer(mergeZones(map, "right", 0, 0), "right").zones[0]!.lengthMm).toBe(Math.min(a.lengthMm, b.lengthMm));
    expect(baseLayer(mergeZones(setZone(map, "right", 0, null), "right", 0, 0), "right").zones[0]).toEqual(b);
  });
  test("wherever a zone line is pulled, none crosses another and no zone loses its width (property)", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: -1, max: 12 }), fc.double({ min: -2, max: 3 })), { maxLength: 12 }), (pulls) => {
        const pulled = pulls.reduce((m, [edge, at]) => onBothEyes(m, "left", (one, side) => moveEdge(one, side, 0, edge, at)), map);
        for (const side of ["right", "left"] as const) {
          const { boundaries } = baseLayer(pulled, side);
          expect([boundaries[0], boundaries.at(-1)]).toEqual([0, 1]);
          boundaries.slice(1).forEach((edge, i) => expect(edge - boundaries[i]!).toBeGreaterThan(NARROWEST_ZONE - 1e-9));
        }
        expect(lashMapSchema.safeParse(pulled).success).toBe(true);
      }),
      { seed: 111 },
    );
  });
  test("a zone too narrow to cut, or an edge that is none, leaves the map as it is", () => {
    let narrow = map;
    for (let i = 0; i < 8; i++) narrow = splitZone(narrow, "right", 0, 0);
    expect(splitZone(narrow, "right", 0, 0)).toBe(narrow);
    expect(moveEdge(map, "right", 0, 0, 0.2)).toBe(map);
    expect(moveEdge(map, "right", 7, 1, 0.2)).toBe(map);
    expect(mergeZones(map, "right", 0, 9)).toBe(map);
  });
  test("the eyes changed over twice is the same map, own zones and landmarks too (property)", () => {
    fc.assert(
      fc.property(surveyArbitrary, (some) => {
        const planned = planMap(
          some,
          { ...wish, coupling: "each", landmarks: { right: some.eyes.right.landmarks, left: some.eyes.left.landmarks } },
          defaultPolicy,
          trays,
        )!.map;
        const split = splitZone(planned, "left", 0, 2);
        expect(mirrorMap(mirrorMap(split))).toEqual(split);
        expect(mirrorMap(split).landmarks).toEqual({ right: split.landmarks!.left, left: split.landmarks!.right });
      }),
      { numRuns: 30, seed: 112 },
    );
  });
});

describe("I ran out", () => {
  test("of a length: every zone that wears it takes what is nearest and may be worn there, nothing else changes", () => {
    const empty = { kind: single, lengthMm: 12 };
    const { map: swapped, swaps, trays: left } = ranOut(facts, empty);
    expect(swaps.length).toBeGreaterThan(0);
    for (const side of ["right", "left"] as const)
      baseLayer(map, side).zones.forEach((zone, i) => {
        const now = baseLayer(swapped, side).zones[i]!;
        if (zone!.lengthMm !== 12) return expect(now).toEqual(zone);
        const swap = swaps.find((s) => s.side === side && s.index === i)!;
        expect(now).toMatchObject({ lengthMm: swap.to!.lengthMm, curl: swap.to!.curl, diameterMm: swap.to!.diameterMm });
        expect(now.lengthMm === 12 && now.curl === "C" && now.diameterMm === 0.15).toBe(false);
        const { limit } = facts.zones[side][i]!;
        expect(now.lengthMm).toBeLessThanOrEqual(limit.limitMm + 1e-9);
        expect(judgeLoad(limit.loadOf(now), 1, defaultPolicy)).not.toBe("stop");
        // What it costs is what the two fibres differ by on this very lash.
        const [was, is] = [zone!, now].map((fibre) => fibreOnLash(fibre, limit.natural, defaultPolicy, left));
        expect(swap.liftMm).toBeCloseTo(is!.liftMm - was!.liftMm, 9);
        expect(swap.massMg).toBeCloseTo(is!.massMg - was!.massMg, 9);
        expect(swap.loadDay14).toBeCloseTo(limit.loadOf(now).day14 - limit.loadOf(zone!).day14, 9);
      });
  });
  test("of the whole tray: no zone wears it any more, and where nothing may stand in it goes bare", () => {
    const only = [trayOf(lengthsFrom(6, 14))];
    const { map: swapped, swaps } = ranOut(mapFacts(map, { ...context, trays: only }), { kind: single, lengthMm: null });
    expect(swaps.every(({ to }) => to === null)).toBe(true);
    expect(baseLayer(swapped, "left").zones.every((zone) => zone === null)).toBe(true);
    const other = ranOut(facts, { kind: single, lengthMm: null }).map;
    expect(baseLayer(other, "right").zones.some((zone) => zone?.curl === "C" && zone.diameterMm === 0.15)).toBe(false);
  });
  test("of what no zone wears: nothing happens; the shelf is told all the same", () => {
    expect(ranOut(facts, { kind: { ...single, curl: "M" }, lengthMm: 9 }).map).toBe(map);
    expect(withoutEmpty(trays, { kind: single, lengthMm: 9 })[0]!.lengthsMm).not.toContain(9);
    expect(withoutEmpty(trays, { kind: single, lengthMm: 9 })[1]!.lengthsMm).toContain(9);
  });
});

describe("the look of 14 with 11", () => {
  const { limit } = facts.zones.right[5]!;
  const wished = wishLike({ ...single, lengthMm: 14 }, limit.natural, defaultPolicy, trays);
  const overhangMm = limit.limitMm + defaultPolicy.attachmentOffsetMm - limit.natural.meanMm;
  const alikes = lookAlikes({ ...wished, overhangMm }, limit, defaultPolicy, trays);
  test("stronger curls in stock lift as far within the limits; the lightest comes first", () => {
    expect(alikes.length).toBeGreaterThan(0);
    for (const { fibre, on, offLiftMm } of alikes) {
      expect(fibre.curl).toBe("D");
      expect(fibre.lengthMm).toBeLessThanOrEqual(limit.limitMm + 1e-9);
      expect(on.liftMm).toBeGreaterThan(wished.liftMm - 0.4 - 1e-9);
      expect(on.overhangMm).toBeLessThanOrEqual(overhangMm + 1e-9);
      expect(offLiftMm).toBeCloseTo(on.liftMm - wished.liftMm, 9);
    }
    const masses = alikes.map(({ fibre }) => fibreMassMg(fibre));
    expect(masses).toEqual([...masses].sort((a, b) => a - b));
    expect(alikes[0]!.fibre.diameterMm).toBe(0.05);
  });
  test("a wish that nothing reaches finds nothing", () => {
    expect(lookAlikes({ liftMm: 17, overhangMm, like: wished.like }, limit, defaultPolicy, trays)).toEqual([]);
  });
  test("at equal lift a stronger curl is shorter on level lashes, and reaches less far", () => {
    const equal = curlsAtEqualLift(5, 0, (id) => CURLS[id]);
    const of = (id: string) => equal.find(({ curl }) => curl === id)!;
    expect(of("D").lengthMm!).toBeLessThan(of("C").lengthMm!);
    expect(of("C").lengthMm!).toBeLessThan(of("B").lengthMm!);
    expect(of("D").reachMm!).toBeLessThan(of("C").reachMm!);
    expect(curlsAtEqualLift(15, -25, (id) => CURLS[id]).some(({ lengthMm }) => lengthMm === null)).toBe(true);
  });
});

describe("what a map takes", () => {
  test("the pick list counts every lash once, in the order of work, and says what stock lacks", () => {
    const accents = {
      offsetMm: 3,
      sections: 4,
      placing: { every: 4, cluster: 1, innerEvery: 2 },
      fibre: { ...single, curl: "D" as const, diameterMm: 0.05, count: 3 },
    };
    const layered = mapFacts(planMap(survey, { ...wish, accents }, defaultPolicy, trays)!.map, context);
    const totals = mapTotals(layered);
    const picks = pickList(layered, "baseFirst");
    expect(picks.reduce((sum, { lashes }) => sum + lashes, 0)).toBe(totals.lashes.right + totals.lashes.left);
    expect(picks.reduce((sum, { fibres }) => sum + fibres, 0)).toBe(totals.fibres);
    expect(picks[0]!.label).toBe("C 0.15");
    expect(pickList(layered, "accentsFirst")[0]!.label).toBe("D 0.05");
    // Three fibres to a fan; one fan takes as long as the studio says.
    const fans = picks.filter(({ label }) => label === "D 0.05");
    expect(fans.reduce((sum, { fibres }) => sum + fibres, 0)).toBe(3 * totals.fans);
    expect(totals.seconds).toBe(
      totals.fans * defaultPolicy.secondsPerFan + (totals.lashes.right + totals.lashes.left - totals.fans) * defaultPolicy.secondsPerSingle,
    );
    const without = pickList({ ...layered, trays: [trays[0]!] });
    expect(without.filter(({ inStock }) => !inStock).map(({ label }) => label)).toEqual(fans.map(() => "D 0.05"));
  });
});

describe("density and darkness, comparable between maps", () => {
  const dark = (change: Partial<MapWish["fibre"]>) =>
    mapDarkness(
      mapFacts(
        planMap(survey, { ...wish, fibre: { ...single, ...change } }, defaultPolicy, [
          ...trays,
          trayOf(lengthsFrom(6, 14), { ...single, ...change }),
        ])!.map,
        context,
      ),
    ).right;
  test("thicker is darker, more fibres are darker, closed fans lighter than open ones; bare is neither", () => {
    expect(dark({ diameterMm: 0.15 }).darkness).toBeGreaterThan(dark({ diameterMm: 0.1 }).darkness);
    expect(dark({ diameterMm: 0.05, curl: "D", count: 5 }).darkness).toBeGreaterThan(
      dark({ diameterMm: 0.05, curl: "D", count: 3 }).darkness,
    );
    expect(dark({ diameterMm: 0.05, curl: "D", count: 5, opening: "closed" }).darkness).toBeLessThan(
      dark({ diameterMm: 0.05, curl: "D", count: 5 }).darkness,
    );
    // Sixteen fibres closed cover as wide as 1.8 × 4 side by side, two as two (a model of this product).
    const areaOf = (change: Parameters<typeof dark>[0]) => -Math.log(1 - dark({ diameterMm: 0.05, curl: "D", ...change }).darkness);
    expect(areaOf({ count: 16, opening: "closed" }) / areaOf({ count: 16 })).toBeCloseTo((1.8 * 4) / 16, 9);
    expect(areaOf({ count: 2, opening: "closed" }) / areaOf({ count: 2 })).toBeCloseTo(1, 9);
    expect(areaOf({ count: 1, opening: "closed" })).toBeCloseTo(areaOf({ count: 1 }), 9);
    // From the front a lash is seen the longer the more it lies to the side.
    const splayed = (splayDeg: number) => {
      const eye = { ...survey.eyes.right, points: survey.eyes.right.points.map((point) => ({ ...point, splayDeg })) };
      return mapDarkness(mapFacts(map, { ...context, survey: { ...survey, eyes: { ...survey.eyes, right: eye } } })).right.darkness;
    };
    expect(splayed(70)).toBeGreaterThan(splayed(0) * 1.1);
    const bare = baseLayer(map, "right").zones.reduce((m, _, i) => setZone(m, "right", i, null), map);
    expect(mapDarkness(mapFacts(bare, context)).right).toEqual({ coverage: 0, darkness: 0 });
    expect(mapDarkness(facts).right.coverage).toBe(1);
  });
  test("in words: soft, medium, full, dark; narrow fans darker, wide ones lighter, singles neither", () => {
    const fan = { count: 5 };
    expect([0, 0.29, 0.3, 0.5, 0.69, 0.7, 1].map((share) => darknessWords(share, fan).split(",")[0])).toEqual([
      "soft",
      "soft",
      "medium",
      "full",
      "full",
      "dark",
      "dark",
    ]);
    expect(darknessWords(0.55, { ...fan, opening: "narrow" })).toBe("full, 55\u00a0%; narrow fans read darker");
    expect(darknessWords(0.55, { ...fan, opening: "wide" })).toBe("full, 55\u00a0%; wide fans read lighter");
    expect(darknessWords(0.22, { count: 1, opening: "narrow" })).toBe("soft, 22\u00a0%");
  });
});

describe("advice from the eyes (common practice), never a ban", () => {
  const eyes = (shape: EyeShape, change: Partial<typeof survey> = {}) => ({
    ...survey,
    ...change,
    eyes: { right: { ...survey.eyes.right, shape }, left: { ...survey.eyes.left, shape } },
  });
  const says = (some: typeof survey, change: Partial<MapWish> = {}) => lookAdvice(some, { ...wish, ...change });
  test.each<[string, ReturnType<typeof eyes>, RegExp, Partial<MapWish>, Partial<MapWish>]>([
    ["hooded", eyes("hooded"), /rises outwards/, { look: "doll" }, { look: "cat" }],
    ["wide-set", eyes("almond", { spacing: "wide" }), /doll/, { look: "doll" }, { look: "cat" }],
    ["close-set", eyes("almond", { spacing: "close" }), /outwards/, { look: "squirrel" }, { look: "doll" }],
    ["downturned", eyes("downturned"), /before the corner/, { look: "squirrel" }, { look: "cat" }],
    ["deep-set", eyes("deepSet"), /longer and stronger/, { fibre: { ...single, curl: "D" } }, { fibre: single }],
    ["prominent", eyes("prominent"), /shorter and softer/, { fibre: single }, { fibre: { ...single, curl: "DD" } }],
    ["down", surveyOf([7, 10, 9], { direction: "down" }), /L or M/, { fibre: { ...single, curl: "L" } }, { fibre: single }],
    ["sparse", surveyOf([7, 10, 9], { density: "sparse" }), /more fans/, { fibre: { ...single, count: 4 } }, { fibre: single }],
  ])("%s", (_, some, words, follows, not) => {
    const about = (change: Partial<MapWish>) => says(some, change).find((advice) => words.test(advice.says))!;
    expect(about(follows)).toMatchObject({ heeded: true });
    expect(about(not).heeded).toBe(false);
    expect(about(not).reason.length).toBeGreaterThan(20);
  });
  test("an ordinary eye is advised of nothing", () => expect(says(usualSurvey())).toEqual([]));
});

test("a tray's measured geometry comes before the studio's, the studio's before the working value", () => {
  const geometry = { turnDeg: 80, baseStraightMm: 0, turnOver: 1 };
  const measured = { turnDeg: 70, baseStraightMm: 1, turnOver: 0.8 };
  const studio = { ...defaultPolicy, curls: { C: geometry } };
  expect(fibreCurl(single, trays, defaultPolicy).turnDeg).toBe(75);
  expect(fibreCurl(single, trays, studio)).toEqual(geometry);
  expect(fibreCurl(single, [{ ...trays[0]!, geometry: measured }], studio)).toEqual(measured);
  expect(fibreCurl({ ...single, diameterMm: 0.1 }, [{ ...trays[0]!, geometry: measured }], studio)).toEqual(geometry);
});

test("limits of a map's own: only what it sets aside is other than the studio's, and cautions stay below the stop", () => {
  expect(mapPolicy(defaultPolicy, {})).toBe(defaultPolicy);
  const changed = mapPolicy(defaultPolicy, { limits: { loadRed: 1, overLengthMm: 1 } });
  expect(changed).toMatchObject({ loadRed: 1, overLengthMm: 1, stepMm: defaultPolicy.stepMm });
  expect(changed.loadAmber).toBeLessThan(changed.loadRed);
  expect(changed.fineOverLengthMm).toBeLessThanOrEqual(1);
});

test("two maps compared say what differs and nothing else; a title follows from the choices", () => {
  expect(compareMaps(map, map)).toEqual([]);
  const other = planMap(survey, { ...wish, look: "doll", fibre: { ...single, diameterMm: 0.1 } }, defaultPolicy, trays)!.map;
  expect(compareMaps(map, other).map(({ what }) => what)).toEqual(
    expect.arrayContaining(["look", "fibre", "client's right", "client's left"]),
  );
  expect(mapTitle({ ...wish, fibre: { ...single, count: 3, countTo: 5 } })).toBe("squirrel, 3–5D C 0.15");
  expect(mapTitle({ ...wish, fibre: { ...single, count: 4, opening: "closed" } })).toBe("wet squirrel, 4D C 0.15");
});

test("seen lift at the landmarks is the lift of the very fibre there", () => {
  for (const { landmark, right } of liftAtLandmarks(facts)) {
    const at = survey.eyes.right.landmarks[landmark];
    const zone = facts.zones.right.find(({ to }) => at <= to)!;
    const { limit } = { limit: zoneLimit(survey.eyes.right, { from: zone.from, to: zone.to, first: false, last: false }, defaultPolicy) };
    expect(right!).toBeCloseTo(fibreOnLash(zone.fibre!, limit.natural, defaultPolicy, trays).liftMm, 1);
  }
});
