import fc from "fast-check";
import { Solver } from "odex";
import {
  densityAfterGm3,
  hoursToDensity,
  roomPlan,
  steadyStateGm3,
  usualRoomTraits,
  vapourDensityGm3,
  waterBalance,
  type WaterBalance,
} from "@/core/air";

// The humidifier's curve against its differential equation, solved by odex 2.0.4 (Hairer's extrapolation method):
// V·w·dρ/dt = q − n·V·(ρ − ρ_in), w the water that walls hold along with the air.
function solved(start: number, { volumeM3, airChangePerH, incomingGm3, sourceGPerH }: WaterBalance, hours: number, store: number) {
  const solver = new Solver(1);
  solver.absoluteTolerance = solver.relativeTolerance = 1e-10;
  const slope = (_: number, [density]: number[]) => [
    (sourceGPerH - airChangePerH * volumeM3 * (density! - incomingGm3)) / (volumeM3 * store),
  ];
  return solver.solve(slope, 0, [start], hours).y[0]!;
}
const balance = fc.record({
  volumeM3: fc.double({ min: 8, max: 200, noNaN: true }),
  airChangePerH: fc.double({ min: 0.05, max: 6, noNaN: true }),
  incomingGm3: fc.double({ min: 1, max: 15, noNaN: true }),
  sourceGPerH: fc.double({ min: 0, max: 600, noNaN: true }),
});
const start = fc.double({ min: 2, max: 15, noNaN: true });
const hours = fc.double({ min: 0.01, max: 8, noNaN: true });
const store = fc.double({ min: 1, max: 2.5, noNaN: true });

test("the room's water follows its differential equation", () => {
  fc.assert(
    fc.property(balance, start, hours, store, (room, from, time, walls) => {
      expect(densityAfterGm3(from, room, time, walls)).toBeCloseTo(solved(from, room, time, walls), 6);
    }),
    { numRuns: 300, seed: 4 },
  );
});

test("the minutes to a wanted humidity end at it, by the same solver; and what is past the steady state is never reached", () => {
  fc.assert(
    fc.property(balance, start, fc.double({ min: 0.05, max: 0.95, noNaN: true }), store, (room, from, share, walls) => {
      const end = steadyStateGm3(room);
      fc.pre(Math.abs(end - from) > 0.1);
      const wanted = from + (end - from) * share;
      const time = hoursToDensity(from, wanted, room, walls)!;
      expect(solved(from, room, time, walls)).toBeCloseTo(wanted, 5);
      expect(hoursToDensity(from, end + (end - from) * share, room, walls)).toBeNull();
      expect(hoursToDensity(from, from - (end - from) * share, room, walls)).toBeNull();
    }),
    { numRuns: 300, seed: 5 },
  );
});

test("a worked room, by hand: 30 m³, 0.5 changes, 250 g/h, 4 g/m³ coming in", () => {
  // Derived: ρ_ss = 4 + 250 / (0.5 · 30) = 20.67; from 5 to 9 g/m³: ln(15.67 / 11.67) / 0.5 = 0.5897 h.
  const room = { volumeM3: 30, airChangePerH: 0.5, incomingGm3: 4, sourceGPerH: 250 };
  expect(steadyStateGm3(room)).toBeCloseTo(20.667, 3);
  expect(hoursToDensity(5, 9, room)).toBeCloseTo(0.5897, 3);
});

test("a sealed room fills in a straight line", () => {
  const sealed = { volumeM3: 40, airChangePerH: 0, incomingGm3: 5, sourceGPerH: 100 };
  expect(densityAfterGm3(6, sealed, 2)).toBe(11);
  expect(hoursToDensity(6, 11, sealed)).toBe(2);
  expect(hoursToDensity(6, 5, sealed)).toBeNull();
});

test("outside air thins as it warms: 8 °C at 80 % brings 6.6 g/m³ into a room of 22 °C", () => {
  // Derived: psychrolib 1.1.1 gives 1072.6 Pa over water at 8 °C; 0.8 · 1072.6 / (461.52 · 295.15) = 6.30 g/m³.
  const { incomingGm3 } = waterBalance(usualRoomTraits, 30, 22, { people: 0, addedGPerH: 0 });
  expect(incomingGm3).toBeCloseTo((1000 * 0.8 * 1072.6) / (461.52 * 295.15), 2);
});

describe("what a room's machines can do", () => {
  const air = { temperatureC: 22, relativeHumidity: 0.3 };
  const room = { volumeM3: 30, traits: { ...usualRoomTraits, airChangePerH: 0.5 } };

  test("30 m³ at 22 °C from 30 to 50 %: 116.5 g in the air (handbook), more through the humidifier, for some leaves", () => {
    const plan = roomPlan(room, air, { ...air, relativeHumidity: 0.5 }, 2);
    expect(plan.grams).toBeCloseTo(116.5, 1);
    expect(plan.by).toBe("humidifier");
    expect(plan.minutes!.low).toBeLessThan(plan.minutes!.high);
    expect(plan.throughG!.low).toBeGreaterThan(40);
  });
  test("a small humidifier in a draughty room cannot, and says where it stops", () => {
    const draughty = { volumeM3: 60, traits: { ...usualRoomTraits, airChangePerH: 4, humidifierGPerH: 150 } };
    const plan = roomPlan(draughty, air, { ...air, relativeHumidity: 0.6 }, 0);
    expect(plan.minutes).toBeNull();
    // Derived: the room settles at the incoming water plus 150 / (4 · 60) g/m³.
    const settles = waterBalance(draughty.traits, 60, 22, { people: 0, addedGPerH: 0 }).incomingGm3 + 150 / 240;
    expect(plan.settlesAt).toBeCloseTo(settles / vapourDensityGm3({ temperatureC: 22, relativeHumidity: 1 }), 6);
  });
  test("cool mist takes 2.45 kJ a gram from the air, as 170 W for 250 g/h; boiled water takes none", () => {
    const target = { ...air, relativeHumidity: 0.5 };
    expect(roomPlan(room, air, target, 0).mist!.watts).toBeCloseTo(170.1, 1);
    // Derived: 116.5 g take 285.4 kJ; 30 m³ of air at 1.19 kg/m³ and 1.006 kJ/kg K, with six times its heat in walls and
    // furniture (a model of ours), give 215.5 kJ a degree.
    expect(roomPlan(room, air, target, 0).mist!.degrees).toBeCloseTo(1.32, 1);
    expect(roomPlan({ ...room, traits: { ...room.traits, humidifierWarm: true } }, air, target, 0).mist).toBeNull();
  });
  test("warming alone is told apart from watering, and a heater's minutes follow its degrees an hour", () => {
    const plan = roomPlan(room, { temperatureC: 19, relativeHumidity: 0.55 }, { temperatureC: 22, relativeHumidity: 0.455 }, 0);
    expect(plan.heat).toMatchObject({ degrees: 3, minutes: 60 });
    // Derived: 8.97 g/m³ at 19 °C and 55 % are 46 % at 22 °C: the heater alone does it, and nearly nothing is left to add.
    expect(plan.heat.aloneGives).toBeCloseTo(0.462, 2);
  });
  test("damp air on a cold pane: at −2 °C outside 50 % bedews single glass, not double; 60 % bedews double too", () => {
    const cold = { ...usualRoomTraits, outside: { temperatureC: -2, relativeHumidity: 0.9 } };
    const target = { temperatureC: 22, relativeHumidity: 0.6 };
    // Dew point 13.9 °C by psychrolib; single glass near 4 °C, double near 13.4: bedewed too. At 50 % only single.
    const at = (glazing: "single" | "double", relativeHumidity: number) =>
      roomPlan({ volumeM3: 30, traits: { ...cold, glazing } }, air, { ...target, relativeHumidity }, 0).glass;
    expect(at("single", 0.5)).toMatchObject({ kind: "dew" });
    expect(at("double", 0.5)).toBeNull();
    expect(at("double", 0.6)).toMatchObject({ kind: "dew" });
    // Derived: 24 K between inside and outside; from memory 0.74 of them lie at a single pane, 0.36 at a double one.
    expect(at("single", 0.6)!.paneC).toBeCloseTo(22 - 0.74 * 24, 9);
    expect(at("double", 0.6)!.paneC).toBeCloseTo(22 - 0.36 * 24, 9);
  });
});
