import fc from "fast-check";
import { defaultPolicy } from "../../policy";
import { lengthsFrom, surveyArbitrary, surveyOf, traysArbitrary, trayOf } from "../../../../tests/support/surveys";
import {
  findingKey,
  mapFacts,
  mapFindings,
  mirrorMap,
  pickList,
  planMap,
  setZone,
  setZoneLength,
  SEVERITIES,
  type Finding,
  type LashMap,
} from "..";

const trays = [trayOf(lengthsFrom(6, 14)), trayOf(lengthsFrom(6, 14), { diameterMm: 0.1 })];
const survey = surveyOf([8, 10, 9], { spreadMm: 0.3, babyShare: 0 });
const context = { survey, policy: { ...defaultPolicy, corners: "graded" as "graded" | "match" }, trays };

/** Five equal zones drawn by hand, both eyes alike. */
const drawn = (lengths: (number | null)[], change: Partial<LashMap["fibre"]> = {}): LashMap => {
  const fibre = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1, ...change };
  const eye = () => ({
    layers: [
      {
        role: "base" as const,
        boundaries: lengths.map((_, i) => i / lengths.length).concat(1),
        zones: lengths.map((lengthMm) => (lengthMm === null ? null : { ...fibre, lengthMm })),
      },
    ],
  });
  return {
    version: 2,
    title: "drawn",
    look: "natural",
    school: { id: "equal", zones: lengths.length },
    fibre,
    longestMm: null,
    coupling: "mirrored",
    differsOnPurpose: false,
    eyes: { right: eye(), left: eye() },
  };
};
const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
/** The same map with accents of its own sections, one to every four lashes. */
const withAccents = (map: LashMap, lengths: number[]): LashMap => {
  const layer = {
    role: "accent" as const,
    boundaries: lengths.map((_, i) => i / lengths.length).concat(1),
    zones: lengths.map((lengthMm) => ({ ...map.fibre, lengthMm })),
    placing: { every: 4, cluster: 1, innerEvery: 2 },
  };
  return { ...map, eyes: { right: { layers: [...map.eyes.right.layers, layer] }, left: { layers: [...map.eyes.left.layers, layer] } } };
};
const findingsOf = (map: LashMap, over: Partial<typeof context> = {}) => mapFindings(mapFacts(map, { ...context, ...over }));
const rules = (map: LashMap, over: Partial<typeof context> = {}) => [...new Set(findingsOf(map, over).map((finding) => finding.rule))];

// Worked cases, common practice: what a teacher would say of each line on lashes of 8, 10 and 9 mm.
test("a line the lashes can wear is left in peace", () => {
  expect(findingsOf(drawn([9, 11, 12, 11, 10]))).toEqual([]);
});
test("over-extended: 13 on lashes whose shorter quarter is under 10", () => {
  const over = findingsOf(drawn([9, 11, 13, 11, 10]));
  expect(over.map((f) => [f.rule, f.severity, f.fix?.label])).toEqual([
    ["overExtended", "stop", "Shorten to 12"],
    ["overExtended", "stop", "Shorten to 12"],
  ]);
  expect(over[0]!.why).toMatch(/13 mm stands 3\.\d mm past a lash of 9\.\d. The limit here is 3/);
});
test("fine lashes are given less", () => {
  const fine = { ...context, survey: surveyOf([8, 10, 9], { spreadMm: 0.3, diameter: "fine" }) };
  expect(rules(drawn([9, 11, 12, 11, 10], { diameterMm: 0.1 }), fine)).toContain("overExtended");
});
test("long corner: only where the studio matches corners", () => {
  expect(rules(drawn([9, 11, 12, 11, 10]), { policy: defaultPolicy })).toEqual(["longCorner"]);
});
test("stepped line: 9 beside 12", () => {
  expect(rules(drawn([8, 9, 12, 11, 10]))).toEqual(["steppedLine"]);
});
test("a step its own lashes ask for is softened by cutting the longer zone in two", () => {
  // Where a shorter zone is still seen, it is lowered; where its own lashes would hide it, it is cut.
  const wide = { survey: surveyOf([6, 10.8, 9], { spreadMm: 0.3, babyShare: 0 }) };
  const stepped = findingsOf(drawn([7, 12, 12, 11, 10]), wide).filter((f) => f.rule === "steppedLine" && f.where.side === "right");
  expect(stepped.map((f) => [f.where.zones, f.fix?.label])).toEqual([[[0, 1], "Zone 2 to 9"]]);
  const hidden = { survey: surveyOf([8, 12.6, 12], { spreadMm: 0.3, babyShare: 0 }), trays: [trayOf(lengthsFrom(6, 15))] };
  const own = findingsOf(drawn([8, 12, 13, 13, 11]), hidden).filter((f) => f.rule === "steppedLine" && f.where.side === "right");
  expect(own.map((f) => f.fix?.label)).toEqual(["Cut zone 2 in two"]);
  const cut = own[0]!.fix!.apply(drawn([8, 12, 13, 13, 11]));
  expect(cut.eyes.right.layers[0]!.zones.map((zone) => zone!.lengthMm)).toEqual([8, 10, 12, 13, 13, 11]);
  expect(
    findingsOf({ ...cut, differsOnPurpose: true }, hidden)
      .filter((f) => f.where.side === "right" && f.severity !== "note")
      .map((f) => f.title),
  ).toEqual([]);
});
test("drooping outer end: the last zone as long as the one before", () => {
  expect(rules(drawn([9, 11, 12, 11, 11]))).toEqual(["droopingOuterEnd"]);
});
test("unintended asymmetry, silenced when it is meant", () => {
  const uneven = setZoneLength(drawn([9, 11, 12, 11, 10]), "left", 2, 11);
  expect(rules(uneven)).toEqual(["unintendedAsymmetry"]);
  expect(rules({ ...uneven, differsOnPurpose: true })).toEqual([]);
});
test("length not in stock", () => {
  expect(rules(drawn([9, 11, 12, 11, 10]), { trays: [trayOf([8, 9, 10, 11])] })).toContain("notInStock");
});
test("load: a thick fibre on fine lashes stops, and a thinner one in stock is offered", () => {
  const fine = { ...context, survey: surveyOf([8, 10, 9], { spreadMm: 0.3, diameter: "fine" }) };
  const load = findingsOf(drawn([8, 10, 11, 10, 9]), fine).filter((f) => f.rule === "loadOverLimit");
  expect(load.some((f) => f.severity === "stop")).toBe(true);
  expect(load.find((f) => f.severity === "stop")!.fix?.label).toBe("Take 0.10");
});
test("a practice length never goes on a client", () => {
  expect(rules(drawn([9, 11, 20, 11, 10]), { trays: [trayOf(lengthsFrom(6, 20))] })).toContain("practiceLength");
});
test("a bare zone says why", () => {
  const bare = findingsOf(drawn([null, 11, 12, 11, 10]), { survey: surveyOf([5, 10, 9], { spreadMm: 0.3 }), policy: defaultPolicy });
  expect(bare.find((f) => f.rule === "leftBare")?.why).toMatch(/shortest in stock is 6/);
});

/** A zone cut in two moves the numbers of those after it; its own test follows. */
const isMended = ({ fix }: Finding) => fix !== undefined && !fix.label.startsWith("Cut");

const handDrawn = fc
  .tuple(
    surveyArbitrary,
    traysArbitrary,
    fc.array(fc.option(fc.integer({ min: 5, max: 16 }), { freq: 8 }), { minLength: 3, maxLength: 7 }),
    fc.boolean(),
  )
  .map(([survey, trays, lengths, match]) => {
    let map = drawn(lengths);
    if (lengths.length > 4) map = setZoneLength(map, "left", 1, 12);
    return { map, context: { survey, trays, policy: { ...defaultPolicy, corners: match ? ("match" as const) : ("graded" as const) } } };
  });

test("a fix, where one is offered, removes its finding and adds none of higher severity", () => {
  let fixed = 0;
  fc.assert(
    fc.property(handDrawn, ({ map, context }) => {
      const before = mapFindings(mapFacts(map, context));
      for (const finding of before.filter(isMended)) {
        const after = mapFindings(mapFacts(finding.fix!.apply(map), context));
        const key = (f: typeof finding) => `${f.rule} ${f.where.side} ${f.where.zones.join()}`;
        expect(after.map(key)).not.toContain(key(finding));
        // What is only for knowing may be mended into something to look at, never into a stop.
        const graver = (f: typeof finding) => SEVERITIES.indexOf(f.severity) > Math.max(1, SEVERITIES.indexOf(finding.severity));
        const known = new Set(before.map(key));
        expect(after.filter((f) => graver(f) && !known.has(key(f)))).toEqual([]);
        fixed += 1;
      }
    }),
    { numRuns: 60, seed: 81 },
  );
  expect(fixed).toBeGreaterThan(100);
});

test("changing the eyes over twice is the same map; editing leaves the old one as it was", () => {
  const map = setZone(drawn([9, 11, 12, 11, 10]), "left", 0, null);
  expect(mirrorMap(mirrorMap(map))).toEqual(map);
  const copy = structuredClone(map);
  setZoneLength(map, "right", 2, 8);
  expect(map).toEqual(copy);
});

test("applying every fix in turn settles a planned map for good", () => {
  const plan = planMap(survey, { ...drawn([9]), school: { id: "browPeak" }, look: "cat" }, defaultPolicy, trays)!;
  expect(findingsOf(plan.map, { policy: defaultPolicy }).filter((f) => f.severity === "stop")).toEqual([]);
});

// The rest of the mistakes a map can make, each from a worked case of common practice.
test("an accent of 17 on lashes of 10 is over-extended, judged by the lashes it is picked for; the base beside it is not", () => {
  const spiked = withAccents(drawn([9, 11, 12, 11, 10]), [17, 12]);
  const over = findingsOf(spiked).filter((f) => f.rule === "overExtended" && f.where.side === "right");
  expect(over.map((f) => [f.where.layer, f.where.zones])).toEqual([[1, [0]]]);
  expect(over[0]!.title).toBe("Client's right, accent 1");
  // The longest of every few: the limit is further out than the shorter quarter of all lashes there.
  const [, outer] = mapFacts(spiked, context).layers.right[1]!;
  expect(outer!.limit.shorterMm).toBeGreaterThan(outer!.limit.natural.quantileMm(0.25) + 0.1);
});
test("hybrid: a single of 0.20 shows between fans and 0.15 is offered; 0.15 itself is left in peace", () => {
  const shelf = [
    trayOf(lengthsFrom(6, 14), { diameterMm: 0.2 }),
    trayOf(lengthsFrom(6, 14)),
    trayOf(lengthsFrom(6, 14), { diameterMm: 0.04 }),
  ];
  const hybrid = { fibre: { ...single, diameterMm: 0.04, count: 7, lengthMm: 9 }, share: 0.5, pattern: "alternate" as const };
  const mixed = (diameterMm: number) => setZone(drawn([9, 11, 12, 11, 10]), "right", 1, { ...single, diameterMm, lengthMm: 9, hybrid });
  const thick = findingsOf({ ...mixed(0.2), differsOnPurpose: true }, { trays: shelf }).filter((f) => f.rule === "thickSingleInHybrid");
  expect(thick.map((f) => f.fix?.label)).toEqual(["Take 0.15"]);
  expect(rules({ ...mixed(0.15), differsOnPurpose: true }, { trays: shelf })).not.toContain("thickSingleInHybrid");
});
test("heavy fan: 5D of 0.07 on fine lashes weighs more than the single they would not get; 2D is made of it where that may be worn", () => {
  const fine = {
    ...context,
    survey: surveyOf([8, 10, 9], { spreadMm: 0.3, diameter: "fine" as const }),
    trays: [trayOf(lengthsFrom(6, 14), { diameterMm: 0.07 })],
  };
  const heavy = findingsOf(drawn([7, 8, 9, 8, 7], { diameterMm: 0.07, count: 5 }), fine).filter((f) => f.rule === "heavyFan");
  expect(heavy.length).toBeGreaterThan(0);
  expect(heavy[0]!.why).toMatch(/5 fibres of 0\.07 weigh as 1\.1 singles of 0\.15, on fine lashes/);
  expect(heavy[0]!.fix?.label).toBe("Make it 4D");
  expect(rules(drawn([7, 8, 9, 8, 7], { diameterMm: 0.07, count: 3 }), fine)).not.toContain("heavyFan");
  // Nine of 0.05 weigh as the single to the letter: ten are made nine, and nine are left in peace.
  const light = { ...fine, trays: [trayOf(lengthsFrom(6, 14), { diameterMm: 0.05 })] };
  const ofTen = findingsOf(drawn([7, 8, 8, 8, 7], { diameterMm: 0.05, count: 10 }), light).find((f) => f.rule === "heavyFan");
  expect(ofTen!.fix?.label).toBe("Make it 9D");
  expect(rules(drawn([7, 8, 8, 8, 7], { diameterMm: 0.05, count: 9 }), light)).not.toContain("heavyFan");
  // On medium lashes it is told where three in ten are baby lashes, and nobody's business where fewer are.
  const babies = (babyShare: number) => ({ survey: surveyOf([8, 10, 9], { spreadMm: 0.3, babyShare }), trays: fine.trays });
  const fan = drawn([9, 11, 12, 11, 10], { diameterMm: 0.07, count: 5 });
  expect(rules(fan, babies(0.3))).toContain("heavyFan");
  expect(rules(fan, babies(0.28))).not.toContain("heavyFan");
  expect(rules(drawn([9, 11, 12, 11, 10], { diameterMm: 0.07, count: 5 }), { trays: fine.trays })).not.toContain("heavyFan");
});
test("iris marks drawn by hand: two millimetres long and short is their texture at any limit, three is a stepped line", () => {
  const narrow = { policy: { ...context.policy, stepMm: 1 } };
  const marks = (mm: number): LashMap => ({ ...drawn([10, 10 - mm, 10, 10 - mm, 10]), school: { id: "irisMarks" } });
  expect(rules(marks(2), narrow)).not.toContain("steppedLine");
  expect(rules(marks(3), narrow)).toContain("steppedLine");
});
test("accents are measured over the mean of the base beneath, halves upwards", () => {
  const over = (lengths: number[]) => rules(withAccents(drawn([9, 10, 9, 10, 9]), lengths)).filter((rule) => /Accents/.test(rule));
  // Two and a half sections of the base lie under each accent here: 9.4 to 9.6 on the mean.
  expect(over([11, 11])).toEqual([]);
  expect(over([10, 10])).toEqual(["faintAccents"]);
  expect(over([13, 13])).toEqual(["dramaticAccents"]);
});
test("dramatic accents say what they cost: a 0.15 of 14 on a medium lash, against the 13 that +3 would be", () => {
  const [told] = findingsOf(withAccents(drawn([10, 11, 10, 11, 10]), [14, 14])).filter(({ rule }) => rule === "dramaticAccents");
  // By hand from mass, centre of mass and moment: 1.3156 and 1.1570 mg·mm, against 1.0091 of the 12 that all are compared with.
  expect(told!.numbers).toEqual([
    { label: "Load, resting", value: "1.30 ×" },
    { label: "At +3 mm", value: "1.15 ×" },
  ]);
  expect(told!.why).toContain("It asks 14 % more of these lashes than 3 mm would.");
});
test("from 12 mm on the last zone drops two, or what a studio asks where that is more; below 12 what it asks", () => {
  const drooping = (lengths: number[], outerDropMm: number) =>
    findingsOf(drawn(lengths), { policy: { ...context.policy, outerDropMm } }).find(({ rule }) => rule === "droopingOuterEnd");
  expect(drooping([9, 11, 12, 13, 12], 1)).toMatchObject({ severity: "note", why: "The last zone drops 1 mm; from 12 mm on 2 is usual." });
  expect(drooping([9, 11, 12, 14, 12], 1)).toBeUndefined();
  expect(drooping([9, 11, 12, 14, 12], 3)).toMatchObject({ severity: "look", why: "The last zone drops 2 mm; from 12 mm on 3 is usual." });
  expect(drooping([9, 11, 12, 13, 11], 1)).toBeUndefined();
  expect(drooping([9, 11, 12, 12, 11], 1)).toBeUndefined();
  expect(drooping([9, 11, 12, 12, 11], 2)).toMatchObject({ severity: "look", why: "The last zone drops 1 mm; this studio wants 2." });
});
test("a C on straight lashes that point down touches over 0.96 mm and does not seat; L, all of its straight base, is offered", () => {
  const down = {
    survey: surveyOf([8, 10, 9], { spreadMm: 0.3, direction: "down" as const, ownCurl: "straight" as const }),
    trays: [...trays, trayOf(lengthsFrom(6, 14), { curl: "L" })],
  };
  const seat = findingsOf(drawn([9, 11, 12, 11, 10]), down).filter((f) => f.rule === "cannotSeat");
  expect(seat.length).toBeGreaterThan(0);
  expect(seat.find((f) => f.where.zones[0] === 2)!.why).toContain("0.96 mm");
  expect(seat[0]!.fix?.label).toBe("Take L 0.15");
  expect(rules(drawn([9, 11, 12, 11, 10], { curl: "L" }), down)).not.toContain("cannotSeat");
  // Level lashes keep their C.
  expect(rules(drawn([9, 11, 12, 11, 10]))).not.toContain("cannotSeat");
});
test("a cat on a hooded eye is a caution, on an almond one nothing", () => {
  const hooded = { survey: { ...survey, eyes: { ...survey.eyes, left: { ...survey.eyes.left, shape: "hooded" as const } } } };
  const cat = findingsOf({ ...drawn([9, 11, 12, 11, 10]), look: "cat" }, hooded).filter((f) => f.rule === "catOnDroopingEye");
  expect(cat.map((f) => [f.severity, f.fix])).toEqual([["look", undefined]]);
  expect(rules({ ...drawn([9, 11, 12, 11, 10]), look: "cat" })).not.toContain("catOnDroopingEye");
});
test("a cat drawn for the other side of the bed: long inside, short outside; turned round it is a cat", () => {
  const long = { survey: surveyOf([10.5, 10.5, 10.5], { spreadMm: 0.3 }) };
  const wrong = { ...drawn([13, 12, 11, 9, 8]), look: "cat" as const };
  const told = findingsOf(wrong, long).filter((f) => f.rule === "mirroredMap");
  expect(told.map((f) => f.fix?.label)).toEqual(["Turn the line round", "Turn the line round"]);
  const turned = told[0]!.fix!.apply(wrong);
  expect(turned.eyes.right.layers[0]!.zones.map((zone) => zone!.lengthMm)).toEqual([8, 9, 11, 12, 13]);
  expect(findingsOf(turned, long).filter((f) => f.rule === "mirroredMap" && f.where.side === "right")).toEqual([]);
});
test("limits set aside on a map are followed there, said so, and given back with one tap", () => {
  const steep = drawn([8, 9, 12, 11, 10]);
  const changed = { ...steep, limits: { stepMm: 3 } };
  expect(rules(steep)).toContain("steppedLine");
  expect(rules(changed)).toEqual(["limitsSetAside"]);
  const told = findingsOf(changed)[0]!;
  expect(told.why).toContain("Step 3 mm");
  expect(rules(told.fix!.apply(changed))).toContain("steppedLine");
});
test("lashes told apart by length: each class is judged on its own lashes", () => {
  const wide = { survey: surveyOf([9, 9, 9], { spreadMm: 1.2 }) };
  const told = (classes: { upToMm: number; lengthMm: number }[]) =>
    findingsOf(
      { ...setZone(drawn([9, 10, 11, 10, 9]), "right", 2, { ...single, lengthMm: 12, classes }), differsOnPurpose: true },
      wide,
    ).filter((f) => f.rule === "overExtended" && f.where.side === "right");
  // A 12 stands too far past the short lashes of this zone, and not past the long ones.
  expect(told([])).toHaveLength(1);
  expect(told([{ upToMm: 9, lengthMm: 10 }])).toHaveLength(0);
  const short = told([{ upToMm: 9, lengthMm: 12 }]);
  expect(short.map((f) => f.fix?.label)).toEqual(["Shorten to 10"]);
});

const layeredDrawn = fc
  .tuple(
    surveyArbitrary,
    traysArbitrary,
    fc.array(fc.integer({ min: 5, max: 16 }), { minLength: 3, maxLength: 6 }),
    fc.array(fc.integer({ min: 6, max: 18 }), { minLength: 2, maxLength: 5 }),
    fc.constantFrom("C" as const, "D" as const, "L" as const),
    fc.integer({ min: 1, max: 6 }),
  )
  .map(([survey, shelf, base, spikes, curl, count]) => ({
    map: withAccents(drawn(base, { curl, count, diameterMm: count > 1 ? 0.07 : 0.15 }), spikes),
    context: {
      survey,
      trays: [...shelf, trayOf(lengthsFrom(6, 12), { curl: "L" }), trayOf(lengthsFrom(6, 12), { diameterMm: 0.07 })],
      policy: defaultPolicy,
    },
  }));
test("with layers, fans and curls too: a fix removes its finding and adds none of higher severity (property)", () => {
  let fixed = 0;
  fc.assert(
    fc.property(layeredDrawn, ({ map, context }) => {
      const before = mapFindings(mapFacts(map, context));
      const known = new Set(before.map(findingKey));
      for (const finding of before.filter(isMended)) {
        const after = mapFindings(mapFacts(finding.fix!.apply(map), context));
        expect(after.map(findingKey)).not.toContain(findingKey(finding));
        // What is only for knowing may be mended into something to look at, never into a stop.
        const graver = (f: typeof finding) => SEVERITIES.indexOf(f.severity) > Math.max(1, SEVERITIES.indexOf(finding.severity));
        expect(after.filter((f) => graver(f) && !known.has(findingKey(f))).map(findingKey)).toEqual([]);
        fixed += 1;
      }
    }),
    { numRuns: 40, seed: 82 },
  );
  expect(fixed).toBeGreaterThan(100);
});

test("the nearer reading wins clearly or not at all: just under a square millimetre a zone nothing is said, just over it is", () => {
  const long = { survey: surveyOf([10.5, 10.5, 10.5], { spreadMm: 0.3 }) };
  // Derived from the cat's curve over five equal zones: 0.56 and 1.13 mm² a zone nearer when turned round.
  const told = (lengths: number[]) => rules({ ...drawn(lengths), look: "cat" as const }, long).includes("mirroredMap");
  expect([told([12, 13, 12, 11, 13]), told([11, 12, 11, 8, 13])]).toEqual([false, true]);
});
test("made alike, both eyes wear the shorter only where the other eye's corner may wear it too", () => {
  const uneven = {
    ...survey,
    eyes: { right: surveyOf([8.6, 10, 9], { spreadMm: 0.3 }).eyes.right, left: surveyOf([6, 10, 9], { spreadMm: 0.3 }).eyes.left },
  };
  const apart = setZoneLength(drawn([8, 11, 12, 11, 10]), "left", 0, 9);
  const fix = (corners: "graded" | "match") =>
    findingsOf(apart, { survey: uneven, policy: { ...defaultPolicy, corners } }).find((f) => f.rule === "unintendedAsymmetry")!.fix?.label;
  // Graded corners carry 8 mm on lashes of 6; a studio that matches them does not.
  expect([fix("graded"), fix("match")]).toEqual(["Both to 8", undefined]);
});
test("a strip is laid out for the last fibre too", () => {
  const map = drawn([9, 11, 12, 11, 10]);
  const laid = (fibresPerStrip: number) => pickList(mapFacts(map, { ...context, policy: { ...context.policy, fibresPerStrip } }));
  const [most] = [...laid(600)].sort((a, b) => b.fibres - a.fibres);
  const stripsAt = (perStrip: number) => laid(perStrip).find(({ lengthMm }) => lengthMm === most!.lengthMm)!.strips;
  expect(most!.fibres).toBeGreaterThan(21);
  expect([stripsAt(most!.fibres), stripsAt(most!.fibres - 1), stripsAt(most!.fibres + 1)]).toEqual([1, 2, 1]);
});
