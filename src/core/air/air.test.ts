import { corrected, outlook, readingFaults, saltTest, sensorDrift, standingFault, vapourDensityGm3, type DatedAir, type HourAir } from ".";

const MINUTE = 60_000;
const T0 = Date.parse("2026-03-02T08:00:00Z");
/** A reading a minute, wandering a little as fine sensors do. */
const wandering = (minutes: number, change: (i: number) => Partial<DatedAir> = () => ({})): DatedAir[] =>
  Array.from({ length: minutes }, (_, i) => ({
    takenAtMs: T0 + i * MINUTE,
    temperatureC: 21 + 0.03 * Math.sin(i),
    relativeHumidity: 0.45 + 0.002 * Math.sin(i / 3),
    ...change(i),
  }));
const endOf = (readings: readonly DatedAir[]) => readings.at(-1)!.takenAtMs + MINUTE;

describe("what a sensor's readings show of the sensor", () => {
  test("a steady stream has nothing to tell", () => {
    const readings = wandering(300);
    expect(readingFaults(readings, endOf(readings))).toEqual([]);
  });
  test("a gap of ten minutes, and one still open", () => {
    const readings = wandering(120).filter((_, i) => i < 50 || i >= 60);
    expect(readingFaults(readings, endOf(readings) + 20 * MINUTE)).toEqual([
      { kind: "gap", fromMs: T0 + 49 * MINUTE, toMs: T0 + 60 * MINUTE },
      { kind: "gap", fromMs: T0 + 119 * MINUTE, toMs: endOf(readings) + 20 * MINUTE },
    ]);
  });
  test("a fine sensor that shows the same for an hour is stuck; a coarse one may", () => {
    const fine = wandering(180, (i) => (i >= 60 && i < 125 ? { temperatureC: 21.11, relativeHumidity: 0.4512 } : {}));
    expect(readingFaults(fine, endOf(fine))).toEqual([{ kind: "stuck", fromMs: T0 + 60 * MINUTE, toMs: T0 + 124 * MINUTE }]);
    const coarse = wandering(180, (i) => ({ temperatureC: 21, relativeHumidity: i < 90 ? 0.45 : 0.46 }));
    expect(readingFaults(coarse, endOf(coarse))).toEqual([]);
    const stopped = wandering(500, () => ({ temperatureC: 21, relativeHumidity: 0.45 }));
    expect(readingFaults(stopped, endOf(stopped))).toMatchObject([{ kind: "stuck" }]);
  });
  test("a breath is a spike, its neighbours with it; a step to new air is none", () => {
    const breath = wandering(60, (i) => (i === 30 || i === 31 ? { relativeHumidity: 0.6 } : {}));
    const faults = readingFaults(breath, endOf(breath));
    expect(faults).toMatchObject([{ kind: "spike", fromMs: T0 + 30 * MINUTE, toMs: T0 + 31 * MINUTE }]);
    expect(faults[0]!.by!.relativeHumidity).toBeCloseTo(0.15, 1);
    const step = wandering(60, (i) => (i >= 30 ? { relativeHumidity: 0.6 + 0.001 * Math.sin(i) } : {}));
    expect(readingFaults(step, endOf(step))).toEqual([]);
  });
  test("only what still stands is told now: a new reading ends a silence, a moved one a standing still; a spike is over", () => {
    const silent = readingFaults(wandering(60), T0 + 80 * MINUTE);
    expect(standingFault(silent, T0 + 59 * MINUTE)).toMatchObject({ kind: "gap" });
    expect(standingFault(silent, T0 + 79 * MINUTE)).toBeNull();
    const still = wandering(120, (i) => (i >= 60 ? { temperatureC: 21.11, relativeHumidity: 0.4512 } : {}));
    const stuck = readingFaults(still, endOf(still));
    expect(standingFault(stuck, endOf(still))).toMatchObject({ kind: "stuck" });
    expect(standingFault(stuck, endOf(still) + 5 * MINUTE)).toBeNull();
    const breath = wandering(60, (i) => (i === 30 ? { relativeHumidity: 0.6 } : {}));
    expect(standingFault(readingFaults(breath, endOf(breath)), endOf(breath))).toBeNull();
    expect(standingFault([], T0)).toBeNull();
  });
  test("the readings themselves are left as they are, and none say nothing", () => {
    const readings = Object.freeze(wandering(60, (i) => (i === 30 ? { temperatureC: 30 } : {})).map(Object.freeze)) as DatedAir[];
    expect(readingFaults(readings, endOf(readings))).toMatchObject([{ kind: "spike", by: { relativeHumidity: 0 } }]);
    expect(readingFaults([], T0)).toEqual([]);
  });
});

describe("two sensors of a room", () => {
  const hours = (apart: (i: number) => number, n = 24 * 20) =>
    Array.from({ length: n }, (_, i) => ({ atMs: T0 + i * 60 * MINUTE, humidityApart: apart(i), temperatureApartC: 0.1 }));
  test("together they are left alone", () => expect(sensorDrift(hours(() => 0.01))).toMatchObject({ worthTelling: false }));
  test("coming apart by three points in ten days are nine a month", () => {
    const drift = sensorDrift(hours((i) => (0.03 * i) / 240))!;
    expect(drift.worthTelling).toBe(true);
    expect(drift.humidityPerMonth).toBeCloseTo(0.09, 6);
    expect(drift.humidityApart).toBeCloseTo(0.0585, 3);
  });
  test("five hours in common are too few", () => expect(sensorDrift(hours(() => 0.1, 5))).toBeNull());
});

describe("the salt test: 75.29 % at 25 °C (Greenspan 1977, from memory)", () => {
  test("what was shown over salt gives the offset", () => {
    const test = saltTest({ temperatureC: 25, relativeHumidity: 0.71 });
    expect(test.ok && test.offset).toBeCloseTo(0.0429, 4);
  });
  test.each([
    [25, 0.5, /points out/],
    [5, 0.75, /10 and 35/],
  ])("%d °C and %d are refused with words", (temperatureC, relativeHumidity, why) => {
    expect(saltTest({ temperatureC, relativeHumidity })).toMatchObject({ ok: false, why: expect.stringMatching(why) });
  });
  test("a reading takes the newest offset from before it, and never leaves 0 to 100 %", () => {
    const calibrations = [
      { fromMs: 1000, humidityOffset: 0.04, temperatureOffsetC: 0 },
      { fromMs: 2000, humidityOffset: -0.02, temperatureOffsetC: 0.5 },
    ];
    const air = { temperatureC: 20, relativeHumidity: 0.5 };
    expect(corrected(air, 500, calibrations)).toEqual(air);
    expect(corrected(air, 1500, calibrations).relativeHumidity).toBeCloseTo(0.54, 9);
    // A calibration counts from its own moment on.
    expect(corrected(air, 999, calibrations)).toEqual(air);
    expect(corrected(air, 1000, calibrations).relativeHumidity).toBeCloseTo(0.54, 9);
    expect(corrected(air, 2500, calibrations)).toEqual({ temperatureC: 20.5, relativeHumidity: 0.48 });
    expect(corrected({ ...air, relativeHumidity: 0.99 }, 1500, calibrations).relativeHumidity).toBe(1);
  });
});

describe("the day's outlook from the same hours of past days", () => {
  const past: HourAir[] = [1, 2, 3, 4, 5].flatMap((day) =>
    Array.from({ length: 10 }, (_, i) => ({
      day: `d${day}`,
      hour: 8 + i,
      temperatureC: 20 + i * 0.3,
      relativeHumidity: 0.55 - i * 0.01 + day * 0.004,
    })),
  );
  test("a day like the others goes on like them", () => {
    const ahead = outlook(past, { temperatureC: 20.6, relativeHumidity: 0.542 }, 10.5, 17);
    expect(ahead.map(({ hour }) => hour)).toEqual([11, 12, 13, 14, 15, 16, 17]);
    expect(ahead[0]!.relativeHumidity).toBeCloseTo(0.532, 2);
    for (const { humidityLow, relativeHumidity, humidityHigh } of ahead)
      expect(humidityLow < relativeHumidity && relativeHumidity < humidityHigh).toBe(true);
  });
  test("a day that began drier stays drier for a while, and less and less", () => {
    const usual = outlook(past, null, 10.5, 17);
    const dry = outlook(past, { temperatureC: 20.6, relativeHumidity: 0.35 }, 10.5, 17);
    const missing = usual.map((hour, i) => vapourDensityGm3(hour) - vapourDensityGm3(dry[i]!));
    expect(missing[0]!).toBeGreaterThan(2.5);
    for (let i = 1; i < missing.length; i++) expect(missing[i]!).toBeLessThan(missing[i - 1]!);
  });
  test("hours with fewer than three days behind them are left out", () => {
    expect(
      outlook(
        past.filter(({ day }) => day < "d3"),
        null,
        10,
        17,
      ),
    ).toEqual([]);
    expect(outlook(past, null, 17.5, 20)).toEqual([]);
  });
});
