import { bottleAge, bottleFitness, handMatch, handWords, handTime, learnSetTime, setTime, windowVerdict, type Adhesive } from ".";

const at = (temperatureC: number, relativeHumidity: number) => ({ temperatureC, relativeHumidity });

describe("the bottle and the hand", () => {
  const hand = handTime([1.8, 2.0, 1.9, 1.95])!;
  const inAir = (nominalS: number, rh = 0.5) => {
    const expected = setTime(nominalS, at(22, rh));
    if (!expected.known) throw new Error("no figure");
    return handMatch(expected, hand);
  };
  test("fast glue skins before a slow fan arrives; medium fits; slow is waited for", () => {
    expect(hand.seconds).toBeCloseTo(1.911, 2);
    expect(inAir(0.6)).toMatchObject({ word: "too fast" });
    expect(inAir(0.6).lateShare).toBeGreaterThan(0.7);
    expect(inAir(1.8)).toMatchObject({ word: "fits" });
    expect(inAir(5)).toMatchObject({ word: "too slow" });
  });
  // Handbook of the trade: a practised hand of 0.8 s and a slow one of 3.5 s against glues of known set time.
  test.each([
    [0.8, 0.5, "fits"],
    [0.8, 1.8, "too slow"],
    [3.5, 0.8, "too fast"],
    [3.5, 1.8, "fits"],
    [3.5, 3, "fits"],
    // The edges: half the hand's time is still in time; over one and a half of it and a second more is waited for.
    [2, 0.99, "too fast"],
    [2, 1.01, "fits"],
    [2, 2.99, "fits"],
    [2, 3.01, "too slow"],
    [4, 5.9, "fits"],
    [4, 6.1, "too slow"],
    [1, 1.99, "fits"],
    [1, 2.01, "too slow"],
  ])("a hand of %f s and a set time of %f s: %s", (handS, setS, word) => {
    const expected = setTime(setS, at(22, 0.5));
    if (!expected.known) throw new Error("no figure");
    expect(handMatch(expected, handTime([handS, handS])!).word).toBe(word);
  });
  test("the same bottle is faster in damp air", () => expect(inAir(1.4, 0.7).lateShare).toBeGreaterThan(inAir(1.4, 0.4).lateShare));
  test("what the match means at the bed: nothing where it fits; leaning only where direction must hold", () => {
    expect(handWords({ word: "fits" }, true)).toBeNull();
    expect(handWords({ word: "too fast" }, true)).toContain("skins before it arrives");
    expect(handWords({ word: "too slow" }, true)).toContain("lean while neighbours are isolated");
    expect(handWords({ word: "too slow" }, false)).toContain("waited for");
  });
  test("nobody timed, no hand", () => expect(handTime([])).toBeNull());
});

const glue = (name: string, humidityLow: number, humidityHigh: number, setTimeS = 1.5): { id: string; adhesive: Adhesive } => ({
  id: name,
  adhesive: { name, setTimeS, humidityLow, humidityHigh, temperatureLowC: 18, temperatureHighC: 27, lifeAfterOpeningDays: 42 },
});
const standing = (openedDaysAgo: number) =>
  bottleAge("2026-03-01", new Date(Date.parse("2026-03-01") + openedDaysAgo * 86_400_000).toISOString().slice(0, 10), 42);

describe("the shelf for this air and this hand", () => {
  const fitness = (bottle: ReturnType<typeof glue>, days: number, rh = 0.45) =>
    bottleFitness(bottle, learnSetTime(bottle.adhesive.setTimeS, [], [bottle.id]), standing(days), at(22, rh), 30, handTime([1.9]));
  test("fitting, then against the hand, then off the window, then past its life", () => {
    const order = [
      fitness(glue("fits", 0.35, 0.6), 10),
      fitness(glue("too fast", 0.35, 0.6, 0.5), 10),
      fitness(glue("too dry for it", 0.55, 0.7), 10),
      fitness(glue("past its life", 0.35, 0.6), 60),
    ];
    expect(order.map(({ fits }) => fits)).toEqual([true, false, false, false]);
    expect([...order].sort((a, b) => a.rank - b.rank)).toEqual(order);
  });
});

describe("a near miss is told from a far one", () => {
  const near = (temperatureC: number, relativeHumidity: number) =>
    windowVerdict(glue("any", 0.4, 0.6).adhesive, at(temperatureC, relativeHumidity), 30).near;
  test.each([
    [22, 0.5, false],
    [22, 0.36, true],
    [22, 0.34, false],
    [27.9, 0.5, true],
    [28.1, 0.5, false],
    [27.5, 0.3, false],
  ])("%f °C and %f: %s", (temperatureC, relativeHumidity, expected) => expect(near(temperatureC, relativeHumidity)).toBe(expected));
});
