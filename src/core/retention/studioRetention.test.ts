import { fBeyond, studentTQuantile } from "../statistics/distributions";
import { simulatedFills } from "../../../tests/support/simulatedStudio";
import { FACTORS } from "./factors";
import type { FillFacts } from "./fillFacts";
import type { Silent, Told } from "./findings";
import { Stopped } from "./hazardFit";
import { studioRetention, type RetentionOptions } from "./studioRetention";

const SUPPOSED = { cycle: { mean: 90, sd: 5 }, bareBelowSd: 4 };
const learn = (fills: readonly FillFacts[], options: Partial<RetentionOptions> = {}) =>
  studioRetention(fills, { supposed: SUPPOSED, nameOf: (_, id) => `the one called ${id}`, ...options });
const drawn = (fills: number, clients: number, effects = {}) =>
  simulatedFills({ fills, clients, effects, clientSd: 0.3, visitSd: 0.1, cycleDays: 90, seed: 11 });
const of = (fills: readonly FillFacts[], id: string, options?: Partial<RetentionOptions>) =>
  learn(fills, options).factors.find(({ factor }) => factor.id === id)!;
const told = (fills: readonly FillFacts[], id: string) => {
  const found = of(fills, id);
  if (found.kind !== "told") throw new Error(`${id} is silent: ${JSON.stringify(found.why)}`);
  return found satisfies Told;
};
const why = (fills: readonly FillFacts[], id: string) => {
  const found = of(fills, id);
  if (found.kind !== "silent") throw new Error(`${id} is told`);
  return found.why satisfies Silent["why"];
};

describe("what a studio may say of itself", () => {
  const some = drawn(160, 40, { humidity: { dry: 0.6 } });

  test("a dry room that costs bonds is found, beside the usual air, with how many stand behind it", () => {
    const { effects, reference, behind, isFound, chance } = told(some, "humidity");
    expect(reference.label).toBe("40 to 60 % humidity");
    const dry = effects.find(({ level }) => level.id === "dry")!;
    expect(dry.low).toBeLessThan(Math.exp(0.6));
    expect(dry.high).toBeGreaterThan(Math.exp(0.6));
    expect(dry.low).toBeGreaterThan(1);
    expect(isFound).toBe(true);
    expect(chance).toBeLessThan(0.01);
    const known = some.filter(({ relativeHumidity }) => relativeHumidity !== null);
    expect(behind).toEqual({ fills: known.length, clients: new Set(known.map(({ clientId }) => clientId)).size });
    expect(dry.behind.fills).toBe(known.filter(({ relativeHumidity }) => relativeHumidity! < 0.4).length);
  });
  test("everything asked is answered, once and in its order, whatever order fills come in", () => {
    expect(learn(some).factors.map(({ factor }) => factor.id)).toEqual(FACTORS.map(({ id }) => id));
    const turned = told([...some].reverse(), "humidity").effects.map(({ ratio }) => ratio);
    told(some, "humidity").effects.forEach(({ ratio }, i) => expect(turned[i]!).toBeCloseTo(ratio, 3));
  });
  test("people and bottles are compared with the one most worked with, by name", () => {
    const { reference, effects } = told(some, "technician");
    const anna = some.filter(({ technicianId }) => technicianId === "anna").length;
    expect(reference.label).toBe(`the one called ${anna >= some.length / 2 ? "anna" : "berit"}`);
    expect(effects).toHaveLength(1);
  });
  test("what the whole set loses a day, and each client beside the others", () => {
    const { hazardPerDay, clientsDifferBy, visitsDifferBy, ofClient } = learn(some);
    // Drawn with 0.0105.
    expect(hazardPerDay!.low).toBeLessThan(0.0105);
    expect(hazardPerDay!.high).toBeGreaterThan(0.0105);
    expect(clientsDifferBy).toBeGreaterThan(1.15);
    expect(clientsDifferBy).toBeLessThan(1.6);
    expect(ofClient.size).toBe(40);
    // Drawn with 0.1.
    expect(visitsDifferBy).toBeGreaterThan(1.03);
    expect(visitsDifferBy).toBeLessThan(1.25);
  });
});

describe("ratios so large that they are no figure", () => {
  /** As many as are left where bonds let go so many times as often in a dry room; nothing else differs. */
  const dryTimes = (times: number) =>
    drawn(240, 40).map((fill): FillFacts => {
      const dry = (fill.relativeHumidity ?? 0.5) < 0.4;
      const perDay = dry ? 0.07 : 0.07 / times;
      return { ...fill, left: Math.round(fill.worn * (1 - fill.days / 90) * Math.exp(-perDay * fill.days)) };
    });
  test("ten times is told, sixty times is not: e to the 3.5 is 33", () => {
    const dry = told(dryTimes(10), "humidity").effects.find(({ level }) => level.id === "dry")!;
    expect(dry.ratio).toBeGreaterThan(6);
    expect(why(dryTimes(60), "humidity")).toEqual({ is: "extreme" });
  });
});

describe("how sure it is", () => {
  /** Humidity, the bottle's age and steam are known of every fill, and nothing else of any. */
  const few = drawn(200, 40, { humidity: { dry: 0.3 } }).map((fill): FillFacts => ({
    ...fill,
    technicianId: "anna",
    relativeHumidity: fill.relativeHumidity ?? 0.45,
    temperatureC: null,
    vapourDensityGm3: null,
    adhesiveId: null,
    setTimeDrift: null,
    beadAgeS: null,
    primer: null,
    attachment: null,
    talked: null,
    moved: null,
    technique: null,
    curl: null,
    contactMm: null,
    washesAWeek: null,
    oil: null,
    cried: null,
    sleepsOn: null,
  }));
  test.each([
    // Fills less clients less season (two), dry, damp, old.
    ["bottleAge", 200 - 40 - 5],
    // Clients less the constant and its own.
    ["steam", 40 - 2],
  ])("%s: Student's t with %d degrees of freedom", (id, df) => {
    const { effects, chance } = told(few, id);
    const { ratio, high } = effects[0]!;
    const error = Math.log(high / ratio) / studentTQuantile(0.975, df);
    // With another df, interval and chance would not come to the same error.
    expect(fBeyond((Math.log(ratio) / error) ** 2, 1, df)).toBeCloseTo(chance, 9);
    expect(effects).toHaveLength(1);
    const fit = learn(few);
    // A client's error is hardly less than her spread over the root of the clients' halves: derived, 2 · sd / √40.
    if (id === "steam") expect(error).toBeGreaterThan((1.6 * Math.log(fit.clientsDifferBy)) / Math.sqrt(40));
  });
  test("what is only supposed of the cycle is in the interval: most of all in the loss a day", () => {
    const width = (supposed: typeof SUPPOSED) => {
      const { low, high } = learn(few, { supposed }).hazardPerDay!;
      return Math.log(high / low) / 2 / studentTQuantile(0.975, 39);
    };
    const [sure, unsure] = [width({ cycle: { mean: 90, sd: 0 }, bareBelowSd: 0 }), width({ cycle: { mean: 90, sd: 10 }, bareBelowSd: 0 })];
    // Ten days either way: 0.0098 and 0.0131 a day at 60 % and 21 days (handbook of the trade), half of log(0.0131 / 0.0098) = 0.145.
    expect(Math.sqrt(unsure ** 2 - sure ** 2)).toBeGreaterThan(0.11);
    expect(Math.sqrt(unsure ** 2 - sure ** 2)).toBeLessThan(0.18);
    const bare = width({ cycle: { mean: 90, sd: 0 }, bareBelowSd: 10 });
    expect(bare).toBeGreaterThan(1.05 * sure);
  });
});

describe("silence, and what is missing", () => {
  test("below 30 fills of 10 clients nothing is said, and how many more would tell", () => {
    const few = learn(drawn(24, 8));
    expect(few.factors.every(({ kind }) => kind === "silent")).toBe(true);
    expect(why(drawn(24, 8), "humidity")).toMatchObject({
      is: "tooFew",
      fills: 30 - drawn(24, 8).filter(({ relativeHumidity }) => relativeHumidity !== null).length,
      clients: 2,
    });
    expect(few.hazardPerDay).toBeNull();
    // Each client once: clients enough for what belongs to a client, and still too few fills.
    expect(why(drawn(27, 27), "steam")).toEqual({ is: "tooFew", fills: 3, clients: 0 });
    expect(learn([]).factors.map(({ kind }) => kind)).toEqual(FACTORS.map(() => "silent"));
  });
  test("of what belongs to a client it is clients that are missing, not fills", () => {
    expect(why(drawn(150, 15), "steam")).toMatchObject({ is: "tooFew", fills: 0, clients: 10 });
    const rarely = drawn(200, 40).map((fill, i, all) => ({
      ...fill,
      oil: all.findIndex(({ clientId }) => clientId === fill.clientId) < 5,
    }));
    expect(why(rarely, "oil")).toEqual({ is: "tooFew", fills: 0, clients: 3 });
  });
  test("always the same way, never known, always with something else", () => {
    const fills = drawn(160, 40);
    expect(
      why(
        fills.map((fill) => ({ ...fill, talked: false })),
        "talked",
      ),
    ).toEqual({ is: "oneWay" });
    expect(
      why(
        fills.map((fill) => ({ ...fill, primer: null })),
        "primer",
      ),
    ).toMatchObject({ is: "tooFew" });
    const together = fills.map((fill) => ({ ...fill, moved: fill.talked }));
    expect(why(together, "moved")).toEqual({ is: "goesWith", other: "talk while placing" });
    const winters = fills.map((fill) => ({ ...fill, relativeHumidity: Math.cos(2 * Math.PI * fill.yearShare) > 0 ? 0.3 : 0.5 }));
    // Half a year each way: four fifths of it is the season (8/π² = 0.81, derived).
    expect(why(winters, "humidity")).toEqual({ is: "goesWith", other: "the season" });
  });
  test("primer is told by what changes within a client: chosen for some and not for others it says nothing", () => {
    const fills = drawn(160, 40).map((fill) => ({
      ...fill,
      primer: Number(fill.clientId.slice(7)) % 2 ? ("primer" as const) : ("none" as const),
    }));
    expect(why(fills, "primer")).toMatchObject({ is: "goesWith" });
  });
});

describe("counts that bear no reckoning", () => {
  test("nothing lost beyond nature's, all lost, more on than the cycle explains: words, no figure, no crash", () => {
    const fills = drawn(120, 30);
    const natural = fills.map((fill) => ({ ...fill, left: Math.min(fill.worn, Math.ceil(fill.worn * (1 - fill.days / 90)) + 5) }));
    expect(learn(natural).hazardPerDay).toBeNull();
    for (const left of [0, 1]) {
      const { factors } = learn(fills.map((fill) => ({ ...fill, left: left * fill.worn })));
      for (const one of factors)
        if (one.kind === "told") for (const { low, high } of one.effects) expect(Number.isFinite(low) && high < 1e3).toBe(true);
    }
  });
  test("all lost wherever the bottle was old: no ratio of the bottle, the rest is told", () => {
    const fills = drawn(160, 40).map((fill) => (fill.bottleAgeDays! >= 35 ? { ...fill, left: 0 } : fill));
    expect(["silent", "told"]).toContain(of(fills, "humidity").kind);
    expect(why(fills, "bottleAge")).toEqual({ is: "extreme" });
  });
  test("one way of three without a ratio: nothing is said of the other either", () => {
    const fills = drawn(200, 40).map((fill) => ((fill.relativeHumidity ?? 0) >= 0.6 ? { ...fill, left: 0 } : fill));
    expect(why(fills, "humidity")).toEqual({ is: "extreme" });
  });
  test("bonds lost a day: below one in ten thousand it is none, from there on it is told", () => {
    const perDay = (hazard: number) => {
      const fills = drawn(120, 30).map((fill) => ({
        ...fill,
        worn: 1_000_000,
        left: Math.round(1_000_000 * (1 - fill.days / 90) * Math.exp(-hazard * fill.days)),
      }));
      return learn(fills, { supposed: { cycle: { mean: 90, sd: 0 }, bareBelowSd: 0 } }).hazardPerDay;
    };
    expect(perDay(0.00009)).toBeNull();
    expect(perDay(0.00012)!.mid).toBeCloseTo(0.00012, 6);
  });
  test("with a cycle hardly known it is told with its wide interval, with one not known at all it is not", () => {
    const perDay = (sd: number) => learn(drawn(120, 30), { supposed: { cycle: { mean: 90, sd }, bareBelowSd: 0 } }).hazardPerDay;
    // An error of 1.2 on the log, and of 2.
    const wide = perDay(28)!;
    expect(Math.log(wide.high / wide.mid) / studentTQuantile(0.975, 29)).toBeCloseTo(1.21, 1);
    expect(perDay(32)).toBeNull();
  });
  test("fills too early, too late, or of nothing are left aside and said", () => {
    const fills = drawn(120, 30);
    const odd = [
      { ...fills[0]!, days: 2 },
      { ...fills[0]!, days: 70 },
      { ...fills[0]!, worn: 0, left: 0 },
    ];
    const learned = learn([...fills, ...odd]);
    expect(learned.leftAside).toBe(3);
    expect(learned.behind.fills).toBe(120);
  });
  test("it tells how far it is, and stops when it is told to", () => {
    const shares: number[] = [];
    learn(drawn(120, 30), { onProgress: (share) => shares.push(share) });
    expect(shares.at(-1)).toBeCloseTo(1, 5);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(() => learn(drawn(120, 30), { isStopped: () => true })).toThrow(Stopped);
  });
});
