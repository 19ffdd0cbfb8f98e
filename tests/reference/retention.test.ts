import { readFileSync } from "node:fs";
import path from "node:path";
import { fitHazard } from "@/core/retention/hazardFit";
import { NoFit } from "@/core/retention/hazardMode";
import { lossSplit } from "@/core/retention/lossSplit";
import { shareLeft } from "@/core/retention/shareLeft";
import { benjaminiHochberg } from "@/core/statistics/benjaminiHochberg";
import { betaQuantile, fBeyond, studentTQuantile } from "@/core/statistics/distributions";
import { fallingSteps } from "@/core/statistics/isotonic";

/** 60 invented fills of 15 clients: 60 to 119 lashes worn, 14 to 25 days, dry or not, a measure, which of two hands. */
const ROWS = readFileSync(path.join(__dirname, "../support/files/fills.csv"), "utf8")
  .trim()
  .split("\n")
  .slice(1)
  .map((line) => line.split(",").map(Number) as [number, number, number, number, number, number, number]);
const column = (of: (row: (typeof ROWS)[number]) => number) => Float64Array.from(ROWS, of);
const counts = (natural: (days: number) => number) => ({
  worn: column((row) => row[2]),
  left: column((row) => row[3]),
  days: column((row) => row[1]),
  natural: column((row) => natural(row[1])),
  client: Int32Array.from(ROWS, (row) => row[0]),
  clients: 15,
});
const columns = [column(() => 1), column((row) => row[4]), column((row) => row[5]), column((row) => row[6])];
const near = (found: readonly number[], expected: readonly number[], within: number) =>
  found.forEach((value, i) => expect(Math.abs(value - expected[i]!)).toBeLessThan(within));
const errors = (covariance: readonly (readonly number[])[]) => covariance.map((row, i) => Math.sqrt(row[i]!));

describe("what holds: bonds lost a day, against R 4.2.2 and lme4 1.1-31, on tests/support/files/fills.csv", () => {
  test("no client effect, nothing shed: glm(cbind(n-k,k) ~ dry+x+tech, offset = log(t), binomial('cloglog'))", () => {
    const fit = fitHazard(
      counts(() => 1),
      columns,
      { spread: { fixed: 0 }, mayScatter: false },
    );
    near(fit.beta, [-4.308968084, 0.534356912, 0.054302083, -0.061751509], 5e-6);
    near(errors(fit.covariance), [0.0533662193, 0.0474180621, 0.0095860983, 0.047350532], 3e-5);
    // logLik less sum(lchoose(n, k)).
    expect(fit.logLikelihood).toBeCloseTo(-3415.198, 3);
    expect([fit.clientSd, fit.visitSd, Math.max(...fit.scatter)]).toEqual([0, 0, 1]);
  });
  test("with shedding, 1 − t/90: optim(BFGS) on the same function", () => {
    const fit = fitHazard(
      counts((days) => 1 - days / 90),
      columns,
      { spread: { fixed: 0 }, mayScatter: false },
    );
    near(fit.beta, [-6.22324385, 1.42904127, 0.13853893, -0.00323119], 2e-4);
    expect(fit.logLikelihood).toBeCloseTo(-3414.378507, 5);
  });
  test("clients apart, Laplace: glmer(… + (1|client)), nAGQ = 0, and near its nAGQ = 1", () => {
    const fit = fitHazard(
      counts(() => 1),
      columns,
      { spread: "likelihood", mayScatter: false },
    );
    // The offset given to R is log(t) − 4.3, without which it finds no beginning.
    near(fit.beta, [0.027100128 - 4.3, 0.493256362, 0.041656046, -0.075562507], 5e-5);
    near(errors(fit.covariance), [0.156209038, 0.05198202, 0.011628455, 0.21785568], 3e-4);
    expect(fit.clientSd).toBeCloseTo(0.4095322, 3);
    expect(fit.logLikelihood).toBeCloseTo(-3280.615508, 3);
    near(fit.beta, [0.02334355 - 4.3, 0.493829512, 0.041690109, -0.075643988], 5e-3);
  });
  test("plain likelihood says too little of the clients' spread, and of what belongs to a client", () => {
    const [plain, adjusted] = (["likelihood", "coxReid"] as const).map((spread) =>
      fitHazard(
        counts(() => 1),
        columns,
        { spread, mayScatter: false },
      ),
    );
    expect(adjusted!.clientSd).toBeGreaterThan(1.03 * plain!.clientSd);
    expect(errors(adjusted!.covariance)[3]!).toBeGreaterThan(1.03 * errors(plain!.covariance)[3]!);
  });
  test("another supposed cycle gives the effects that a fit with it gives, the spread as it is", () => {
    const natural = (cycle: number) => (days: number) => 1 - days / cycle;
    const fitted = (cycle: number, naturalIf: Float64Array[] = []) =>
      fitHazard(counts(natural(cycle)), columns, { spread: { fixed: 0.4 }, mayScatter: false, naturalIf });
    const { beta, betaIf } = fitted(90, [column((row) => natural(100)(row[1]))]);
    near(betaIf[0]!, fitted(100).beta, 1e-4);
    // A longer cycle sheds less, so that more is left to the bonds.
    expect(betaIf[0]![0]! - beta[0]!).toBeGreaterThan(0.2);
  });
  test("two columns that say the same, and no fill at all, are refused", () => {
    const same = [...columns, column((row) => 2 * row[4] - row[6])];
    expect(() =>
      fitHazard(
        counts(() => 1),
        same,
      ),
    ).toThrow(NoFit);
    const none = { worn: new Float64Array(), left: new Float64Array(), days: new Float64Array(), natural: new Float64Array() };
    expect(() => fitHazard({ ...none, client: new Int32Array(), clients: 0 }, [new Float64Array()])).toThrow(NoFit);
  });
});

describe("one set's share, and what is told apart", () => {
  test.each([
    [128, 213, 0.5341761948, 0.6649793796],
    [1, 40, 0.002710818486, 0.110949380478],
    [39, 40, 0.8890506195, 0.9972891815],
    [500, 1000, 0.4690477127, 0.5309522873],
  ])("%d of %d: R 4.2.2's qbeta at a half more of each", (left, worn, low, high) => {
    const share = shareLeft({ left, worn });
    near([share.mid, share.low, share.high], [left / worn, low, high], 1e-8);
  });
  test("none left, all left: the end stands", () => {
    expect(shareLeft({ left: 0, worn: 50 }).low).toBe(0);
    expect(shareLeft({ left: 50, worn: 50 }).high).toBe(1);
    for (const [left, worn] of [
      [5, 4],
      [-1, 4],
      [0, 0],
      [1.5, 4],
      [Number.NaN, 4],
    ])
      expect(() => shareLeft({ left: left!, worn: worn! })).toThrow(RangeError);
  });
  test("60 % at 21 days, nothing bare, a cycle of 90: bonds 78.3 %, 0.0117 a day (handbook of the trade; derived)", () => {
    const split = lossSplit({ left: 600, worn: 1000 }, 21, { mean: 0, sd: 0 }, { mean: 90, sd: 0 });
    expect(split.bond.mid).toBeCloseTo(0.6 / (1 - 21 / 90), 9);
    expect(split.bond.mid).toBeCloseTo(0.783, 3);
    expect(split.hazardPerDay.mid).toBeCloseTo(0.0117, 4);
    expect(split.lostByWork.mid).toBeCloseTo(69 / 90 - 0.6, 9);
    // The cycle known, only the count is unsure.
    near([split.bond.low, split.bond.high], [split.left.low / (69 / 90), split.left.high / (69 / 90)], 1e-6);
  });
  test.each([
    [80, 0, 0.0098],
    [90, 0, 0.0117],
    [100, 0, 0.0131],
    [90, 10, 0.0098],
    [90, 20, 0.0073],
  ])("a cycle of %d, bare below %d: %d a day (handbook of the trade)", (cycle, bare, perDay) =>
    expect(lossSplit({ left: 600, worn: 1000 }, 21, { mean: bare, sd: 0 }, { mean: cycle, sd: 0 }).hazardPerDay.mid).toBeCloseTo(perDay, 4),
  );
  test.each([
    [{ mean: 0, sd: 0 }, { mean: 90, sd: 5 }, [0.694455, 0.873573], [0.095609, 0.236309]],
    [{ mean: 9, sd: 4 }, { mean: 90, sd: 5 }, [0.715134, 0.915317], [0.0604767, 0.2152573]],
  ])("count and cycle both unsure: four million draws of rbeta and rnorm in R 4.2.2 (%j, %j)", (bare, cycle, bond, work) => {
    const split = lossSplit({ left: 128, worn: 213 }, 21, bare, cycle);
    near([split.bond.low, split.bond.high], bond, 4e-4);
    near([split.lostByWork.low, split.lostByWork.high], work, 4e-4);
    near(
      [split.hazardPerDay.high, split.hazardPerDay.low],
      bond.map((share) => -Math.log(share) / 21),
      5e-5,
    );
    expect(split.isTold).toBe(true);
  });
  test("more on than the cycle explains is said as it is, and nothing lost is a bound and no nought", () => {
    const more = lossSplit({ left: 100, worn: 100 }, 21, { mean: 9, sd: 4 }, { mean: 90, sd: 5 });
    expect(more).toMatchObject({ isTold: false });
    expect(more.hazardPerDay.mid).toBeLessThan(0);
    expect(more.lostByWork.high).toBeLessThan(0);
    const none = lossSplit({ left: 0, worn: 100 }, 21, { mean: 9, sd: 4 }, { mean: 90, sd: 5 });
    expect(none.bond.low).toBe(0);
    expect(none.hazardPerDay.low).toBeGreaterThan(0.1);
    expect(none.hazardPerDay.high).toBe(Infinity);
    // 74 of 100 where nature leaves 74: not told.
    expect(lossSplit({ left: 74, worn: 100 }, 21, { mean: 9, sd: 4 }, { mean: 90, sd: 5 }).isTold).toBe(false);
    expect(() => lossSplit({ left: 1, worn: 2 }, 0, { mean: 0, sd: 0 }, { mean: 90, sd: 5 })).toThrow(RangeError);
  });
});

test("falling steps: R 4.2.2's isoreg, each lash a value, of the share left by day", () => {
  const days = [...new Set(ROWS.map((row) => row[1]))].sort((a, b) => a - b);
  const sum = (day: number, of: 2 | 3) => ROWS.filter((row) => row[1] === day).reduce((total, row) => total + row[of], 0);
  near(
    fallingSteps(
      days.map((day) => sum(day, 3) / sum(day, 2)),
      days.map((day) => sum(day, 2)),
    ),
    [
      0.76566757, 0.76566757, 0.72295515, 0.71498371, 0.71498371, 0.64252696, 0.64179104, 0.64179104, 0.64179104, 0.62810626, 0.62810626,
      0.6015625,
    ],
    1e-8,
  );
  expect(fallingSteps([], [])).toEqual([]);
  // Turned about, isoreg(c(1, 3, 2, 4, 3.5, 5)).
  expect(fallingSteps([-1, -3, -2, -4, -3.5, -5], [1, 1, 1, 1, 1, 1])).toEqual([-1, -2.5, -2.5, -3.75, -3.75, -5]);
});

test("which may be called found: R 4.2.2's p.adjust(…, 'BH')", () => {
  // It gives 0.006 0.060 0.240 0.036 0.500 0.060.
  const chances = [0.001, 0.03, 0.2, 0.012, 0.5, 0.04];
  expect(benjaminiHochberg(chances, 0.1)).toEqual([true, true, false, true, false, true]);
  expect(benjaminiHochberg(chances, 0.05)).toEqual([true, false, false, true, false, false]);
  expect(benjaminiHochberg(chances, 0.001)).toEqual([false, false, false, false, false, false]);
  expect(benjaminiHochberg([], 0.1)).toEqual([]);
});

test("quantiles and tails: R 4.2.2's qbeta, qt, pf", () => {
  expect(betaQuantile(0.025, 128.5, 85.5)).toBeCloseTo(0.5341761948, 8);
  near(
    [20, 3, 112].map((df) => studentTQuantile(0.975, df)),
    [2.08596344727, 3.18244630528, 1.98137181488],
    1e-7,
  );
  near([fBeyond(4.35, 1, 20), fBeyond(3, 4, 33)], [0.05002973818, 0.03234947899], 1e-8);
});
