import { usualRoomTraits, type OutlookHour } from "../air";
import { beadsFor, bottleAge, bottleFitness, learnSetTime, startRoom, type Adhesive } from ".";

const at = (temperatureC: number, relativeHumidity: number) => ({ temperatureC, relativeHumidity });

const glue = (name: string, humidityLow: number, humidityHigh: number, setTimeS = 1.5): { id: string; adhesive: Adhesive } => ({
  id: name,
  adhesive: { name, setTimeS, humidityLow, humidityHigh, temperatureLowC: 18, temperatureHighC: 27, lifeAfterOpeningDays: 42 },
});
const standing = (openedDaysAgo: number) =>
  bottleAge("2026-03-01", new Date(Date.parse("2026-03-01") + openedDaysAgo * 86_400_000).toISOString().slice(0, 10), 42);

describe("start the room", () => {
  const room = { volumeM3: 30, traits: usualRoomTraits };
  const ahead: OutlookHour[] = [9, 10, 11, 12].map((hour) => ({
    hour,
    ...at(22, 0.3),
    humidityLow: 0.26,
    humidityHigh: 0.34,
    days: 10,
  }));
  const bottles = [glue("damp", 0.45, 0.6), glue("damper", 0.55, 0.7)];
  const start = (visits: { id: string; startHour: number }[], traits = usualRoomTraits, of = bottles) =>
    startRoom(
      visits,
      ahead,
      at(22, 0.3),
      8,
      { ...room, traits },
      of,
      (bottle, air) => bottleFitness(bottle, learnSetTime(1.5, [], [bottle.id]), standing(5), air, 30, null),
      2,
    );

  test("none fits the dry forenoon: the nearest bottle, and the humidifier on in time for slow walls", () => {
    const [first, second] = start([
      { id: "b", startHour: 11.5 },
      { id: "a", startHour: 9.5 },
    ]);
    expect(first).toMatchObject({ visitId: "a", bottleId: "damp", needs: { machine: "humidifier" } });
    expect(first!.needs!.target.relativeHumidity).toBeCloseTo(0.47, 6);
    expect(first!.needs!.switchOnHour).toBeCloseTo(9.5 - first!.needs!.minutes!.high / 60, 9);
    // Once brought there it is kept there.
    expect(second).toMatchObject({ visitId: "b", bottleId: "damp", needs: null });
  });
  test("a bottle that fits wants nothing done", () => {
    expect(start([{ id: "a", startHour: 10 }], usualRoomTraits, [...bottles, glue("dry", 0.2, 0.4)])[0]).toMatchObject({
      bottleId: "dry",
      needs: null,
    });
  });
  test("a room without a humidifier is told that it cannot", () => {
    const [only] = start([{ id: "a", startHour: 10 }], { ...usualRoomTraits, humidifierGPerH: 0 });
    expect(only!.needs).toMatchObject({ switchOnHour: null, minutes: null });
  });
  test("a room too damp wants its dryer, one too cold its heater, and where both are wanted the slower one decides", () => {
    const in_ = (traits: Partial<typeof usualRoomTraits>, air: ReturnType<typeof at>) =>
      startRoom(
        [{ id: "a", startHour: 12 }],
        [],
        air,
        12,
        { ...room, traits: { ...usualRoomTraits, ...traits } },
        [glue("one", 0.4, 0.6)],
        (bottle, then) => bottleFitness(bottle, learnSetTime(1.5, [], [bottle.id]), standing(5), then, 30, null),
        1,
      )[0]!.needs!;
    const damp = in_({ dehumidifierGPerH: 300, outside: at(5, 0.7) }, at(22, 0.68));
    expect(damp).toMatchObject({ machine: "dehumidifier" });
    expect(damp.minutes!.high).toBeGreaterThan(damp.minutes!.low);
    const cold = in_({ heaterCPerH: 3, humidifierGPerH: 300 }, at(16, 0.6));
    expect(cold.target.temperatureC).toBe(18.5);
    expect(cold.minutes!.low).toBeGreaterThanOrEqual(50 - 1e-9);
    expect(in_({ heaterCPerH: 0 }, at(16, 0.6))).toMatchObject({ switchOnHour: null });
    // Nothing in the room can cool it.
    expect(in_({ heaterCPerH: 3 }, at(30, 0.5))).toMatchObject({ switchOnHour: null });
  });
  test("beyond the hours that are known the air now is left to the room", () => {
    const [late] = startRoom(
      [{ id: "a", startHour: 20 }],
      [],
      at(22, 0.6),
      8,
      { volumeM3: 30, traits: { ...usualRoomTraits, airChangePerH: 1, outside: at(0, 0.6) } },
      [glue("one", 0.1, 0.9)],
      (bottle, air) => bottleFitness(bottle, learnSetTime(1.5, [], [bottle.id]), standing(5), air, 30, null),
      0,
    );
    // Twelve changes of air on, it is outside air warmed: its vapour's pressure stays, 0.6 × 611.2 Pa at 0 °C over
    // 2644.9 Pa at 22 °C (ASHRAE Handbook Fundamentals, chapter 1) is 13.87 %.
    expect(late!.expectedAir.relativeHumidity).toBeCloseTo(0.1387, 3);
  });
});

describe("drops that a visit takes", () => {
  test("a new bead each quarter of an hour at reference (common practice), more often in heat and damp, never less often", () => {
    expect(beadsFor(120, 15, at(22, 0.5))).toBe(8);
    expect(beadsFor(121, 15, at(22, 0.5))).toBe(9);
    expect(beadsFor(120, 15, at(30, 0.75))).toBe(16);
    expect(beadsFor(120, 15, at(18, 0.25))).toBe(8);
    expect(beadsFor(120, 20, null)).toBe(6);
  });
});
