import { airAfter, airWord, machineWays, roomPlan, usualRoomTraits, vapourDensityGm3, type RoomTraits } from ".";

const room = (traits: Partial<RoomTraits> = {}) => ({ volumeM3: 30, traits: { ...usualRoomTraits, ...traits } });
const at = (temperatureC: number, relativeHumidity: number) => ({ temperatureC, relativeHumidity });
const WAY = { minutes: 90, everyMinutes: 5 };
const ways = (traits: Partial<RoomTraits>, people = 2) => machineWays(room(traits), at(21, 0.35), people, WAY);

describe("where each machine of a room leads", () => {
  test("a way for each that the room has, from where the air is now", () => {
    const all = ways({ humidifierGPerH: 250, dehumidifierGPerH: 200, heaterCPerH: 4 });
    expect(all.map(({ machine }) => machine)).toEqual(["humidifier", "dehumidifier", "heater"]);
    for (const { points } of all) {
      expect(points).toHaveLength(19);
      expect(points[0]!.temperatureC).toBe(21);
      expect(points[0]!.relativeHumidity).toBeCloseTo(0.35, 9);
    }
    expect(ways({ humidifierGPerH: 0, dehumidifierGPerH: 0, heaterCPerH: 0 })).toEqual([]);
  });
  test("a humidifier damps and does not warm; a dryer dries; a heater warms and dries the air without taking water", () => {
    const [humidifier, dryer] = ways({ humidifierGPerH: 400, dehumidifierGPerH: 400, heaterCPerH: 0 }, 0);
    expect(humidifier!.points.at(-1)!.temperatureC).toBe(21);
    expect(humidifier!.points.at(-1)!.relativeHumidity).toBeGreaterThan(0.4);
    expect(dryer!.points.at(-1)!.relativeHumidity).toBeLessThan(0.35);
    // A sealed empty room: the water stays, so humidity falls as saturation rises alone.
    const [heater] = ways({ humidifierGPerH: 0, dehumidifierGPerH: 0, heaterCPerH: 4, airChangePerH: 0 }, 0);
    const end = heater!.points.at(-1)!;
    expect(end.temperatureC).toBeCloseTo(27, 9);
    expect(vapourDensityGm3(end)).toBeCloseTo(vapourDensityGm3(at(21, 0.35)), 6);
    expect(end.relativeHumidity).toBeLessThan(0.26);
  });
  test("the way comes to the plan's humidity inside the plan's minutes", () => {
    const misty = room({ humidifierGPerH: 400 });
    const plan = roomPlan(misty, at(21, 0.35), at(21, 0.5), 2);
    const after = (minutes: number) => airAfter(misty, at(21, 0.35), minutes, { people: 2, addedGPerH: 400, degreesPerH: 0 });
    expect(after(plan.minutes!.low).relativeHumidity).toBeLessThanOrEqual(0.5);
    expect(after(plan.minutes!.high).relativeHumidity).toBeGreaterThanOrEqual(0.5);
  });
  test("it is never drier than nothing nor damper than fog", () => {
    const [humidifier, dryer] = machineWays(room({ humidifierGPerH: 5000, dehumidifierGPerH: 5000, airChangePerH: 0 }), at(18, 0.6), 4, {
      minutes: 600,
      everyMinutes: 60,
    });
    expect(humidifier!.points.at(-1)!.relativeHumidity).toBe(1);
    expect(dryer!.points.at(-1)!.relativeHumidity).toBeGreaterThan(0);
    expect(dryer!.points.at(-1)!.relativeHumidity).toBeLessThan(0.01);
  });
});

test.each([
  [0.34, "dry"],
  [0.35, "fair"],
  [0.6, "fair"],
  [0.61, "damp"],
] as const)("air of %f is %s (common practice)", (relativeHumidity, word) => expect(airWord({ relativeHumidity })).toBe(word));
