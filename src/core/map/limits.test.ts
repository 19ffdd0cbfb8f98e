import fc from "fast-check";
import { defaultPolicy } from "../policy";
import { lengthsFrom, surveyArbitrary, surveyOf, traysArbitrary, trayOf } from "../../../tests/support/surveys";
import {
  baseLayer,
  planWords,
  type Breach,
  limitCosts,
  limitCostWords,
  mapFacts,
  mapFindings,
  mapPolicy,
  planMap,
  zoneLimit,
  type MapLimits,
  type MapWish,
} from ".";

const single = { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 };
const wish: MapWish = { title: "test", look: "squirrel", school: { id: "browPeak" }, fibre: single, longestMm: null, coupling: "mirrored" };
const trays = [trayOf(lengthsFrom(6, 15))];
const survey = surveyOf([7.2, 10.2, 9.2]);
const rulesOf = (limits: MapLimits | undefined, from = survey) => {
  const { map } = planMap(from, { ...wish, ...(limits ? { limits } : {}) }, defaultPolicy, trays)!;
  return mapFindings(mapFacts(map, { survey: from, policy: defaultPolicy, trays })).map(({ rule }) => rule);
};
const longest = (limits?: MapLimits) =>
  Math.max(
    ...baseLayer(planMap(survey, { ...wish, ...(limits ? { limits } : {}) }, defaultPolicy, trays)!.map, "right").zones.map(
      (zone) => zone?.lengthMm ?? 0,
    ),
  );

describe("limits set aside on one map", () => {
  test("the plan goes as far as they let it, the map says so, and is judged by them", () => {
    expect(longest({ overLengthMm: 1 })).toBeLessThan(longest());
    expect(longest({ overLengthMm: 4, loadRed: 3 })).toBeGreaterThan(longest());
    const rules = rulesOf({ overLengthMm: 4, loadRed: 3 });
    expect(rules).toContain("limitsSetAside");
    expect(rules).not.toContain("overExtended");
  });
  test("a studio's map says nothing of limits", () => expect(rulesOf(undefined)).not.toContain("limitsSetAside"));
  test("back to the studio's: the note goes, and what was too long by the studio's own limit is found", () => {
    const { map } = planMap(survey, { ...wish, limits: { overLengthMm: 4, loadRed: 4 } }, defaultPolicy, trays)!;
    const context = { survey, policy: defaultPolicy, trays };
    const back = mapFindings(mapFacts(map, context))
      .find(({ rule }) => rule === "limitsSetAside")!
      .fix!.apply(map);
    const rules = mapFindings(mapFacts(back, context)).map(({ rule }) => rule);
    expect(rules).not.toContain("limitsSetAside");
    expect(rules).toContain("overExtended");
  });
  test.each<[keyof MapLimits, number | string, RegExp]>([
    ["overLengthMm", 2, /Over-length 2 mm/],
    ["fineOverLengthMm", 1, /fine lashes 1 mm/],
    ["corners", "graded", /Corners graded up/],
    ["corners", "match", /Corners matched/],
    ["stepMm", 3, /Step 3 mm/],
    ["outerDropMm", 0, /Outer drop 0 mm/],
    ["loadRed", 2, /Load up to 2\.00/],
    ["attachmentOffsetMm", 0.5, /lid 0\.5 mm/],
  ])("%s set to %s is said in words", (key, value, words) => {
    const map = { ...planMap(survey, wish, defaultPolicy, trays)!.map, limits: { [key]: value } as MapLimits };
    const finding = mapFindings(mapFacts(map, { survey, policy: defaultPolicy, trays })).find(({ rule }) => rule === "limitsSetAside")!;
    expect(finding.why).toMatch(words);
  });
  test("a caution never stands above a stop that was lowered, nor fine lashes above the rest", () => {
    const changed = mapPolicy(defaultPolicy, { limits: { loadRed: 0.9, overLengthMm: 1 } });
    expect(changed.loadAmber).toBeLessThan(0.9);
    expect(changed.loadAmberFan).toBeLessThan(0.9);
    expect(changed.fineOverLengthMm).toBe(1);
    expect(mapPolicy(defaultPolicy, {})).toBe(defaultPolicy);
  });
});

describe("what a limit costs", () => {
  const plan = planMap(survey, wish, defaultPolicy, trays)!;
  const costs = limitCosts(survey, wish, defaultPolicy, trays);
  test("no limit makes a plan better: every cost is nought or more (property)", () => {
    fc.assert(
      fc.property(surveyArbitrary, traysArbitrary, (someSurvey, someTrays) => {
        for (const { costMm2, longerZones } of limitCosts(someSurvey, wish, defaultPolicy, someTrays)) {
          expect(costMm2).toBeGreaterThanOrEqual(0);
          expect(longerZones).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 25, seed: 41 },
    );
  });
  test("over-length is what holds this eye back, and the words say what would be without it", () => {
    const hung = Math.max(plan.longestMm.right, plan.longestMm.left);
    const over = costs.find(({ limit }) => limit === "overLength")!;
    expect(limitCostWords(over, hung)).toMatch(/^The over-length limit costs the look/);
    expect(over.longestMm).toBeGreaterThan(hung);
    expect(limitCostWords(over, hung)).toMatch(/without it the longest could be/);
    expect(limitCostWords({ ...over, costMm2: 0, longerZones: 0, longestMm: hung }, hung)).toMatch(/costs the look nothing/);
    expect(limitCostWords({ ...over, longerZones: 1 }, hung)).toMatch(/one zone would be longer/);
  });
});

describe("limits that cannot all hold", () => {
  // Stock with a hole in it: nothing between 9 and 12 can be laid beside either without a step of more than 2 mm.
  const holed = [trayOf([9, 12])];
  const plan = planMap(surveyOf([9, 10.2, 9.3]), { ...wish, school: { id: "equal", zones: 6 } }, defaultPolicy, holed)!;
  test("what is breached is breached in the map given, by just that, and said with its place", () => {
    const told = plan.breaches.filter(({ limit }) => limit === "step").map(({ side, zones, by }) => [side, zones, by]);
    const stepped = (["right", "left"] as const).flatMap((side) => {
      const { zones } = baseLayer(plan.map, side);
      return zones.flatMap((zone, i) => {
        const past = i && zone && zones[i - 1] ? Math.abs(zone.lengthMm - zones[i - 1]!.lengthMm) - defaultPolicy.stepMm : 0;
        return past > 0 ? [[side, [i - 1, i], past]] : [];
      });
    });
    expect(stepped.length).toBeGreaterThan(0);
    expect(told).toEqual(stepped);
    for (const { by } of plan.breaches) expect(by).toBeGreaterThan(0);
    expect(planWords(plan)[0]).toMatch(/^The step is 1 mm over the limit, both eyes, zones [\d, ]+ and \d: .+Cut the zone in two/);
  });
  test("a plan that keeps all has nothing to say", () => {
    const kept = planMap(survey, wish, defaultPolicy, trays)!;
    expect([kept.breaches, kept.cuts, planWords(kept)]).toEqual([[], [], []]);
  });
  test("a load that is passed is said as an index, lengths in millimetres, each kind once at its worst", () => {
    const say = (limit: Breach["limit"], by: number) =>
      planWords({
        map: plan.map,
        cuts: [],
        breaches: [
          { ...plan.breaches[0]!, limit, by },
          { ...plan.breaches[0]!, limit, by: by / 2, zones: [4] },
        ],
      });
    expect(say("load", 0.25)).toEqual([expect.stringMatching(/0\.25 × past the stop/)]);
    expect(say("overLength", 1.5)).toEqual([expect.stringMatching(/1\.5 mm past the over-length limit/)]);
    expect(say("natural", 1)).toEqual([expect.stringMatching(/^Shorter than the natural lash: .+A finer fibre/)]);
    expect(say("outerDrop", 1)).toEqual([expect.stringMatching(/drop at the outer corner misses by 1 mm/)]);
    expect(say("corner", 2)).toEqual([expect.stringMatching(/2 mm over its lashes/)]);
  });
});

test("a limit read for a zone is never above what its longer lashes allow, and rises with over-length (property)", () => {
  fc.assert(
    fc.property(
      surveyArbitrary,
      fc.double({ min: 0, max: 0.8, noNaN: true }),
      fc.double({ min: 0, max: 3, noNaN: true }),
      (s, from, over) => {
        const edges = { from, to: from + 0.2, first: false, last: false };
        const at = (overLengthMm: number) =>
          zoneLimit(s.eyes.right, edges, { ...defaultPolicy, overLengthMm, fineOverLengthMm: Math.min(2, overLengthMm) });
        const [tight, loose] = [at(over), at(over + 1)];
        expect(loose.limitMm).toBeGreaterThanOrEqual(tight.limitMm);
        expect(tight.limitMm).toBeLessThanOrEqual(tight.natural.meanMm + over + 1e-9);
      },
    ),
    { numRuns: 60, seed: 43 },
  );
});
