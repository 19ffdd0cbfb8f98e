import fc from "fast-check";
import { defaultPolicy } from "../../policy";
import { lengthsFrom, surveyArbitrary, surveyOf, traysArbitrary, trayOf } from "../../../../tests/support/surveys";
import { mapFacts, mapFindings, mirrorMap, planMap, setZone, setZoneLength, SEVERITIES, type LashMap } from "..";

const trays = [trayOf(lengthsFrom(6, 14)), trayOf(lengthsFrom(6, 14), { diameterMm: 0.1 })];
const survey = surveyOf([8, 10, 9], { spreadMm: 0.3 });
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
const found = (map: LashMap, over: Partial<typeof context> = {}) => mapFindings(mapFacts(map, { ...context, ...over }));
const rules = (map: LashMap, over: Partial<typeof context> = {}) => [...new Set(found(map, over).map((finding) => finding.rule))];

// Worked cases, common practice: what a teacher would say of each line on lashes of 8, 10 and 9 mm.
test("a line the lashes can wear is left in peace", () => {
  expect(found(drawn([9, 11, 12, 11, 10]))).toEqual([]);
});
test("over-extended: 13 on lashes whose shorter quarter is under 10", () => {
  const over = found(drawn([9, 11, 13, 11, 10]));
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
  const load = found(drawn([8, 10, 11, 10, 9]), fine).filter((f) => f.rule === "loadOverLimit");
  expect(load.some((f) => f.severity === "stop")).toBe(true);
  expect(load.find((f) => f.severity === "stop")!.fix?.label).toBe("Take 0.10");
});
test("a practice length never goes on a client", () => {
  expect(rules(drawn([9, 11, 20, 11, 10]), { trays: [trayOf(lengthsFrom(6, 20))] })).toContain("practiceLength");
});
test("a bare zone says why", () => {
  const bare = found(drawn([null, 11, 12, 11, 10]), { survey: surveyOf([5, 10, 9], { spreadMm: 0.3 }), policy: defaultPolicy });
  expect(bare.find((f) => f.rule === "leftBare")?.why).toMatch(/shortest in stock is 6/);
});

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
      for (const finding of before.filter((f) => f.fix)) {
        const after = mapFindings(mapFacts(finding.fix!.apply(map), context));
        const key = (f: typeof finding) => `${f.rule} ${f.where.side} ${f.where.zones.join()}`;
        expect(after.map(key)).not.toContain(key(finding));
        const graver = (f: typeof finding) => SEVERITIES.indexOf(f.severity) > SEVERITIES.indexOf(finding.severity);
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
  expect(found(plan.map, { policy: defaultPolicy }).filter((f) => f.severity === "stop")).toEqual([]);
});
