import fc from "fast-check";
import highsLoader from "highs";
import {
  planLine,
  planMap,
  mapFacts,
  mapFindings,
  zoneLimit,
  judgeLoad,
  MICRO,
  ROUGHNESS_WEIGHT,
  LOOK_IDS,
  type LineLimits,
  type ZoneChoices,
} from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import { lineAsProgram } from "../support/lineAsProgram";
import { surveyArbitrary, surveyOf, traysArbitrary, trayOf, lengthsFrom } from "../support/surveys";

const choices = (lengths: number[], target: number): ZoneChoices =>
  [...lengths].sort((a, b) => a - b).map((lengthMm) => ({ lengthMm, distance: Math.round(MICRO * (lengthMm - target) ** 2) }));

const lineArbitrary = (zones: number, lengths: number) =>
  fc.array(
    fc
      .tuple(fc.uniqueArray(fc.integer({ min: 5, max: 15 }), { maxLength: lengths }), fc.double({ min: 5, max: 15, noNaN: true }))
      .map(([stock, target]) => choices(stock, target)),
    { minLength: 1, maxLength: zones },
  );
const limitsArbitrary: fc.Arbitrary<LineLimits> = fc.record({
  stepMm: fc.constantFrom(1, 2, 3, Infinity),
  outerDropMm: fc.constantFrom(0, 1, 2, -Infinity),
});

/** Every line there is, one after another: the definition itself, with none of the planner's shortcuts. */
function bruteForce(zones: readonly ZoneChoices[], limits: LineLimits) {
  let best: { micro: number; total: number; lengths: (number | null)[] } | null = null;
  const walk = (lengths: (number | null)[], distance: number) => {
    const i = lengths.length;
    if (i < zones.length) {
      if (zones[i]!.length === 0) walk([...lengths, null], distance);
      for (const choice of zones[i]!) walk([...lengths, choice.lengthMm], distance + choice.distance);
      return;
    }
    let micro = distance;
    for (let k = 1; k < lengths.length; k++) {
      const [before, at, after] = [lengths[k - 1], lengths[k], lengths[k + 1]];
      if (before == null || at == null) continue;
      if (Math.abs(at - before) > limits.stepMm) return;
      if (k === lengths.length - 1 && at > before - limits.outerDropMm) return;
      if (after != null) micro += Math.round(MICRO * ROUGHNESS_WEIGHT * Math.abs(before - 2 * at + after));
    }
    const total = lengths.reduce<number>((sum, mm) => sum + (mm ?? 0), 0);
    const earlier = () => {
      for (let k = 0; k < lengths.length; k++) if (lengths[k] !== best!.lengths[k]) return (lengths[k] ?? 0) < (best!.lengths[k] ?? 0);
      return false;
    };
    if (!best || micro < best.micro || (micro === best.micro && (total < best.total || (total === best.total && earlier()))))
      best = { micro, total, lengths };
  };
  walk([], 0);
  return best as { micro: number; total: number; lengths: (number | null)[] } | null;
}

test("the planned line is the one brute force finds, ties and all", () => {
  fc.assert(
    fc.property(lineArbitrary(6, 4), limitsArbitrary, (zones, limits) => {
      const plan = planLine(zones, limits);
      const best = bruteForce(zones, limits);
      if (!best) return plan === null;
      expect(plan?.lengthsMm).toEqual(best.lengths);
      expect(Math.round(plan!.objective * MICRO)).toBe(best.micro);
      return true;
    }),
    { numRuns: 600, seed: 71 },
  );
});

test("ties go to the shorter fibre, then to the one shorter near the inner corner", () => {
  expect(planLine([choices([8, 9], 8.5)], { stepMm: 2, outerDropMm: -Infinity })?.lengthsMm).toEqual([8]);
  const flat = [choices([8, 9], 8.5), choices([8, 9], 8.5)];
  expect(planLine(flat, { stepMm: 2, outerDropMm: -Infinity })?.lengthsMm).toEqual([8, 8]);
});

test("full lines cost what a general solver (highs 1.15.3, mixed-integer) finds, or neither finds any", async () => {
  const highs = await highsLoader();
  const problems = fc.sample(
    fc.tuple(
      fc.array(fc.double({ min: 6, max: 14, noNaN: true }), { minLength: 9, maxLength: 12 }),
      fc.array(fc.subarray(lengthsFrom(5, 15), { minLength: 3 }), { minLength: 12, maxLength: 12 }),
      limitsArbitrary,
    ),
    { numRuns: 40, seed: 72 },
  );
  let solved = 0;
  for (const [targets, stock, limits] of problems) {
    const zones = targets.map((target, i) => choices(stock[i]!, target));
    const plan = planLine(zones, limits);
    const solution = highs.solve(lineAsProgram(zones, limits));
    expect(solution.Status).toBe(plan ? "Optimal" : "Infeasible");
    if (!plan) continue;
    solved += 1;
    expect(Math.abs(solution.ObjectiveValue - plan.objective)).toBeLessThan(1e-5);
  }
  expect(solved).toBeGreaterThan(10);
});

const wish = (look: (typeof LOOK_IDS)[number], coupling: "mirrored" | "each" = "mirrored") => ({
  title: "test",
  look,
  school: { id: "browPeak" as const },
  fibre: { curl: "C" as const, diameterMm: 0.15, shape: "round" as const, count: 1 },
  longestMm: null,
  coupling,
});

test("no planned map breaks a hard limit, unless it says which limits clash", () => {
  let clashing = 0;
  fc.assert(
    fc.property(
      surveyArbitrary,
      traysArbitrary,
      fc.constantFrom(...LOOK_IDS),
      fc.constantFrom("mirrored" as const, "each" as const),
      (survey, trays, look, coupling) => {
        const plan = planMap(survey, wish(look, coupling), defaultPolicy, trays)!;
        const findings = mapFindings(mapFacts(plan.map, { survey, policy: defaultPolicy, trays }));
        const broken = new Set(findings.map((finding) => finding.rule));
        if (plan.breaches.length) clashing += 1;
        const given = new Set(plan.breaches.map(({ limit }) => limit));
        expect(broken.has("notInStock")).toBe(false);
        if (!given.has("overLength")) expect(broken.has("overExtended")).toBe(false);
        if (!given.has("corner")) expect(broken.has("longCorner")).toBe(false);
        if (!given.has("step")) expect(broken.has("steppedLine")).toBe(false);
        if (!given.has("outerDrop")) expect(broken.has("droopingOuterEnd")).toBe(false);
        if (!given.has("load")) expect(findings.some((f) => f.rule === "loadOverLimit" && f.severity === "stop")).toBe(false);
        if (coupling === "mirrored") expect(broken.has("unintendedAsymmetry")).toBe(false);
      },
    ),
    { numRuns: 150, seed: 73 },
  );
  expect(clashing).toBeGreaterThan(0);
});

test("a zone is left bare exactly where nothing in stock is allowed there", () => {
  fc.assert(
    fc.property(surveyArbitrary, traysArbitrary, (survey, trays) => {
      const plan = planMap(survey, wish("natural", "each"), defaultPolicy, trays)!;
      if (plan.breaches.length) return;
      for (const side of ["right", "left"] as const) {
        const { boundaries, zones } = plan.map.eyes[side].layers[0]!;
        zones.forEach((fibre, i) => {
          const limit = zoneLimit(
            survey.eyes[side],
            { from: boundaries[i]!, to: boundaries[i + 1]!, first: i === 0, last: i === zones.length - 1 },
            defaultPolicy,
          );
          const any = trays[0]!.lengthsMm.some(
            (lengthMm) =>
              lengthMm <= limit.limitMm && judgeLoad(limit.loadOf({ ...plan.map.fibre, lengthMm }), 1, defaultPolicy) !== "stop",
          );
          expect(fibre !== null).toBe(any);
        });
      }
    }),
    { numRuns: 60, seed: 74 },
  );
});

test("clashing limits are named: lengths three apart cannot keep a step of 2 and drop at the corner", () => {
  const plan = planMap(
    surveyOf([9, 10, 10]),
    { ...wish("natural"), school: { id: "equal", zones: 5 } },
    { ...defaultPolicy, corners: "graded" },
    [trayOf([9, 12])],
  )!;
  expect(plan.clash).toEqual(["outerDrop", "step"]);
  // Lengths three apart miss a step of 2 by 1, and equal ones a drop of 1 by 1: one millimetre an eye is the least there is.
  expect(plan.breaches.reduce((sum, { by }) => sum + by, 0)).toBeCloseTo(2, 6);
});

test("the brow-peak example of common practice, 7 8 9 10 11 | 12 | 11 10 9 8, comes of an eye it fits", () => {
  const survey = surveyOf([7.7, 10, 8.6], { spreadMm: 0.3, diameter: "medium" });
  const plan = planMap(survey, { ...wish("squirrel"), longestMm: 12 }, { ...defaultPolicy, corners: "graded" }, [
    trayOf(lengthsFrom(5, 15)),
  ])!;
  expect(plan.map.eyes.right.layers[0]!.zones.map((zone) => zone?.lengthMm)).toEqual([7, 8, 9, 10, 11, 12, 11, 10, 9, 8]);
});
