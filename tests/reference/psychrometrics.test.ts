import fc from "fast-check";
import psychrolib from "psychrolib";
import {
  airDensityKgM3,
  dewPointC,
  humidityRatio,
  pressureAtAltitudePa,
  saltHumidity,
  saturationPressurePa,
  temperatureForHumidityC,
  vapourDensityGm3,
  waterToReachG,
  wetBulbC,
} from "@/core/air";
import { setTimeRatio } from "@/core/adhesive";

// Reference library: psychrolib 1.1.1 (formulas of ASHRAE Handbook Fundamentals), run here.
psychrolib.SetUnitSystem(psychrolib.SI);

const temperature = fc.double({ min: 5, max: 40, noNaN: true });
const humidity = fc.double({ min: 0.05, max: 0.95, noNaN: true });
const RUNS = { numRuns: 2000, seed: 20260901 };

test("saturation pressure within 0.1 % of psychrolib over 5 to 40 °C", () => {
  fc.assert(
    fc.property(temperature, (t) => Math.abs(saturationPressurePa(t) / psychrolib.GetSatVapPres(t) - 1) < 1e-3),
    RUNS,
  );
});

test("vapour density within 0.1 % of psychrolib's vapour pressure over R_v T", () => {
  fc.assert(
    fc.property(temperature, humidity, (temperatureC, relativeHumidity) => {
      const pressure = psychrolib.GetVapPresFromRelHum(temperatureC, relativeHumidity);
      const expected = (1000 * pressure) / (461.52 * (temperatureC + 273.15));
      return Math.abs(vapourDensityGm3({ temperatureC, relativeHumidity }) / expected - 1) < 1e-3;
    }),
    RUNS,
  );
});

test("dew point within 0.05 K of psychrolib over 5 to 40 °C and 5 to 95 %", () => {
  fc.assert(
    fc.property(temperature, humidity, (temperatureC, relativeHumidity) => {
      const expected = psychrolib.GetTDewPointFromRelHum(temperatureC, relativeHumidity);
      return Math.abs(dewPointC({ temperatureC, relativeHumidity }) - expected) < 0.05;
    }),
    RUNS,
  );
});

const altitude = fc.double({ min: 0, max: 3000, noNaN: true });

test("pressure by altitude as psychrolib's standard atmosphere, 0 to 3,000 m", () => {
  fc.assert(
    fc.property(altitude, (metres) => Math.abs(pressureAtAltitudePa(metres) / psychrolib.GetStandardAtmPressure(metres) - 1) < 1e-6),
    RUNS,
  );
});

test("humidity ratio within 0.1 % and moist air's density within 0.1 % of psychrolib at 0 to 3,000 m", () => {
  fc.assert(
    fc.property(temperature, humidity, altitude, (temperatureC, relativeHumidity, metres) => {
      const pressure = psychrolib.GetStandardAtmPressure(metres);
      const ratio = psychrolib.GetHumRatioFromRelHum(temperatureC, relativeHumidity, pressure);
      const density = psychrolib.GetMoistAirDensity(temperatureC, ratio, pressure);
      const air = { temperatureC, relativeHumidity };
      return (
        Math.abs(humidityRatio(air, pressureAtAltitudePa(metres)) / ratio - 1) < 1e-3 &&
        Math.abs(airDensityKgM3(air, pressureAtAltitudePa(metres)) / density - 1) < 1e-3
      );
    }),
    RUNS,
  );
});

test("wet bulb within 0.05 K of psychrolib at 0 to 3,000 m", () => {
  fc.assert(
    fc.property(temperature, humidity, altitude, (temperatureC, relativeHumidity, metres) => {
      const pressure = psychrolib.GetStandardAtmPressure(metres);
      const expected = psychrolib.GetTWetBulbFromRelHum(temperatureC, relativeHumidity, pressure);
      // At the freezing point itself the equations over water and over ice give two answers.
      fc.pre(Math.abs(expected) > 0.5);
      return Math.abs(wetBulbC({ temperatureC, relativeHumidity }, pressure) - expected) < 0.05;
    }),
    { ...RUNS, numRuns: 500 },
  );
});

test("air over damp table salt holds 75.29 ± 0.12 % at 25 °C", () => {
  // Greenspan, J. Res. Natl. Bur. Stand. 81A (1977) 89-96, recalled from memory.
  expect(Math.abs(saltHumidity(25) - 0.7529)).toBeLessThan(0.0012);
});

test.each([
  // ASHRAE Handbook Fundamentals ch. 1; IAPWS-IF97 steam tables: kPa.
  [20, 2.339],
  [25, 3.17],
  [30, 4.247],
])("saturation pressure at %d °C is %d kPa (published)", (t, kPa) => {
  expect(saturationPressurePa(t) / 1000 / kPa).toBeCloseTo(1, 3);
});

test.each([
  [22, 0.5, 9.708],
  [20, 0.4, 6.915],
  [26, 0.3, 7.308],
  [30, 0.7, 21.24],
])("vapour density at %d °C, %d: %d g/m³", (temperatureC, relativeHumidity, expected) => {
  expect(Math.abs(vapourDensityGm3({ temperatureC, relativeHumidity }) / expected - 1)).toBeLessThan(1e-3);
});

test.each([
  [22, 0.5, 11.11],
  [24, 0.55, 14.41],
  [21, 0.25, 0.24],
])("dew point at %d °C, %d: %d °C", (temperatureC, relativeHumidity, expected) => {
  expect(Math.abs(dewPointC({ temperatureC, relativeHumidity }) - expected)).toBeLessThan(0.05);
});

test("30 m³ at 22 °C from 30 to 50 % take 116.5 g (handbook, derived)", () => {
  expect(waterToReachG({ temperatureC: 22, relativeHumidity: 0.3 }, 0.5, 30)).toBeCloseTo(116.5, 1);
});

test("warming to a wished humidity lands on it, by psychrolib", () => {
  const air = { temperatureC: 20, relativeHumidity: 0.6 };
  const t = temperatureForHumidityC(air, 0.45)!;
  const vapour = psychrolib.GetVapPresFromRelHum(20, 0.6);
  expect(psychrolib.GetRelHumFromVapPres(t, vapour)).toBeCloseTo(0.45, 4);
});

test.each([
  [26, 0.3, 1.39],
  [18, 0.65, 0.93],
  [28, 0.35, 1.09],
  [22, 0.25, 2.0],
  [24, 0.6, 0.76],
])("set time at %d °C, %d is %d of nominal (handbook table, a model of this product)", (temperatureC, relativeHumidity, ratio) => {
  expect(Math.abs(setTimeRatio({ temperatureC, relativeHumidity }) - ratio)).toBeLessThanOrEqual(0.0051);
});
