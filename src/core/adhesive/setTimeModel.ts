import type { Air } from "../air";
import { independent, normalBelow, sumOf, updated, type Belief } from "../statistics/gaussian";
import { inverseTemperature, isGoodFor, logDryness, USUAL_LAW, type CureLaw } from "./setTime";

/** A timed bead or lash: how long it took to set, in which air, from which bottle of which age. */
export type SetTest = {
  readonly id: string;
  readonly bottleId: string;
  /** Days since the bottle was opened. */
  readonly daysOpen: number;
  readonly air: Air;
  readonly seconds: number;
};

/**
 * Priors, all models of this product. The scale's 30 % is shared between the product (what its leaflet measures) and
 * the bottle; a bottle may grow slower or faster by some per cent a week.
 */
const PRIOR = { scaleSd: 0.26, bottleSd: 0.15, driftPerWeekSd: 0.05, mSd: 0.35, bKSd: 2500 } as const;
/** A person with a stopwatch: a fifth. A model of this product. */
export const TEST_NOISE = 0.2;
const EIGHTY_PER_CENT = 1.2816;
/** Further from what was expected than this many standard deviations, a test is questioned. */
export const QUESTIONED_FROM = 2.5;

/** What a product's set tests have taught: scale, m, B, and for each bottle an offset and a drift with age. */
export type SetTimeModel = {
  readonly nominalS: number;
  readonly tests: readonly SetTest[];
  readonly bottles: readonly string[];
  readonly belief: Belief;
};

/** Expected set time with the range that holds it four times in five, s; or why there is no figure. */
export type SetTime =
  | {
      readonly known: true;
      readonly setTimeS: number;
      readonly lowS: number;
      readonly highS: number;
      /** Over the leaflet's. */
      readonly ratio: number;
      /** How many tests of this product, and of this bottle, stand behind it. */
      readonly tests: number;
      readonly ofBottle: number;
      readonly logSd: number;
    }
  | { readonly known: false; readonly why: string };

/**
 * Learns from set tests by Bayesian linear regression on log time:
 * `ln t = ln t_leaflet + scale + m·ln(φ₀/φ) + B(1/T − 1/T₀) + bottle + drift·weeks`.
 * Tests in air that the model is not good for are left out.
 */
export function learnSetTime(
  nominalS: number,
  tests: readonly SetTest[],
  openBottles: readonly string[] = [],
  driftPerWeekSd: number = PRIOR.driftPerWeekSd,
): SetTimeModel {
  const used = tests.filter(({ air }) => isGoodFor(air));
  const bottles = [...new Set([...openBottles, ...used.map(({ bottleId }) => bottleId)])];
  const prior = independent([
    { mean: 0, sd: PRIOR.scaleSd },
    { mean: USUAL_LAW.m, sd: PRIOR.mSd },
    { mean: USUAL_LAW.bK, sd: PRIOR.bKSd },
    ...bottles.flatMap(() => [
      { mean: 0, sd: PRIOR.bottleSd },
      { mean: 0, sd: driftPerWeekSd },
    ]),
  ]);
  const belief = updated(
    prior,
    used.map(({ air, bottleId, daysOpen, seconds }) => ({
      weights: weightsOf(bottles, air, bottleId, daysOpen),
      value: Math.log(seconds / nominalS),
    })),
    TEST_NOISE,
  );
  return { nominalS, tests: used, bottles, belief };
}

const weightsOf = (bottles: readonly string[], air: Air, bottleId: string | null, daysOpen: number) => [
  1,
  logDryness(air),
  inverseTemperature(air),
  ...bottles.flatMap((one) => (one === bottleId ? [1, daysOpen / 7] : [0, 0])),
];

/** What a bottle will do in this air at its age; a bottle of null is any new one of the product. */
export function expectedSetTime(model: SetTimeModel, air: Air, bottleId: string | null = null, daysOpen = 0): SetTime {
  if (!isGoodFor(air)) return { known: false, why: "Outside what this is good for: 16 to 30 °C and 20 to 75 %." };
  const known = bottleId !== null && model.bottles.includes(bottleId);
  const sum = sumOf(model.belief, weightsOf(model.bottles, air, bottleId, daysOpen));
  const logSd = known ? sum.sd : Math.hypot(sum.sd, PRIOR.bottleSd, (PRIOR.driftPerWeekSd * daysOpen) / 7);
  const factor = Math.exp(EIGHTY_PER_CENT * logSd);
  const ratio = Math.exp(sum.mean);
  const setTimeS = model.nominalS * ratio;
  return {
    known: true,
    setTimeS,
    lowS: setTimeS / factor,
    highS: setTimeS * factor,
    ratio,
    tests: model.tests.length,
    ofBottle: model.tests.filter((test) => test.bottleId === bottleId).length,
    logSd,
  };
}

/** What a leaflet's set time comes to in this air, before any set test. `setTime(1.5, { temperatureC: 22, relativeHumidity: 0.25 })` → 3 s */
export function setTime(nominalS: number, air: Air): SetTime {
  return expectedSetTime(learnSetTime(nominalS, []), air);
}

/** How this product follows humidity and warmth, as learned. */
export function lawOf(model: SetTimeModel): CureLaw {
  return { m: model.belief.mean[1]!, bK: model.belief.mean[2]! };
}

/** How far a test stands from what all the others lead to expect, in standard deviations and as a multiple. */
export function testDeviation(
  model: SetTimeModel,
  test: SetTest,
): { readonly z: number; readonly times: number; readonly questioned: boolean } {
  const others = learnSetTime(
    model.nominalS,
    model.tests.filter(({ id }) => id !== test.id),
    model.bottles,
  );
  const expected = expectedSetTime(others, test.air, test.bottleId, test.daysOpen);
  if (!expected.known) return { z: 0, times: 1, questioned: false };
  const z = Math.log(test.seconds / expected.setTimeS) / Math.hypot(expected.logSd, TEST_NOISE);
  return { z, times: test.seconds / expected.setTimeS, questioned: Math.abs(z) > QUESTIONED_FROM };
}

/** A bottle that takes this much longer than it did when opened is old whatever its leaflet says. Models of this product. */
const OLD_FROM = 1.25;
const OLD_SURE = 0.9;
const OLD_LEAST_TESTS = 4;
/** Asked whether a bottle has aged, nearly everything is left to its own tests. */
const DRIFT_LEFT_TO_TESTS = 0.2;

export type BottleDrift = {
  /** Set time now over set time when opened, with the range that holds it four times in five. */
  readonly times: number;
  readonly low: number;
  readonly high: number;
  readonly tests: number;
  /** Its own tests say that it is old. */
  readonly old: boolean;
};

/** How a bottle has changed since it was opened, by its own tests; null before there are any. */
export function bottleDrift({ nominalS, tests: all, bottles }: SetTimeModel, bottleId: string, daysOpen: number): BottleDrift | null {
  const model = learnSetTime(nominalS, all, bottles, DRIFT_LEFT_TO_TESTS);
  const at = model.bottles.indexOf(bottleId);
  const tests = model.tests.filter((test) => test.bottleId === bottleId).length;
  if (at < 0 || tests === 0) return null;
  const weights = model.belief.mean.map((_, i) => (i === 4 + 2 * at ? daysOpen / 7 : 0));
  const { mean, sd } = sumOf(model.belief, weights);
  const sure = sd > 0 ? normalBelow((mean - Math.log(OLD_FROM)) / sd) : 0;
  return {
    times: Math.exp(mean),
    low: Math.exp(mean - EIGHTY_PER_CENT * sd),
    high: Math.exp(mean + EIGHTY_PER_CENT * sd),
    tests,
    old: tests >= OLD_LEAST_TESTS && sure >= OLD_SURE,
  };
}
