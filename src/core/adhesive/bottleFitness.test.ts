import { bottleAge, bottleFitness, handMatch, handTime, learnSetTime, setTime, windowVerdict, type Adhesive } from ".";

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
  test("the same bottle is faster in damp air", () => expect(inAir(1.4, 0.7).lateShare).toBeGreaterThan(inAir(1.4, 0.4).lateShare));
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
