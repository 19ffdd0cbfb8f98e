import { clamp } from "../units";
import type { Air } from "./schema";

/**
 * Humidity over saturated sodium chloride, fraction, by temperature in °C. Greenspan, J. Res. Natl. Bur. Stand. 81A
 * (1977) 89-96; figures recalled from memory.
 */
const SODIUM_CHLORIDE: readonly (readonly [number, number])[] = [
  [10, 0.7567],
  [15, 0.7561],
  [20, 0.7547],
  [25, 0.7529],
  [30, 0.7509],
  [35, 0.7487],
];

/** What a true hygrometer shows in a closed bag over damp table salt. `saltHumidity(25)` → 0.7529; outside 10 to 35 °C the nearest. */
export function saltHumidity(temperatureC: number): number {
  const t = clamp(temperatureC, 10, 35);
  const i = Math.min(SODIUM_CHLORIDE.length - 2, Math.floor((t - 10) / 5));
  const [[t0, a], [t1, b]] = [SODIUM_CHLORIDE[i]!, SODIUM_CHLORIDE[i + 1]!];
  return a + ((b - a) * (t - t0)) / (t1 - t0);
}

/** A sensor this far out is not to be mended by an offset. A model of this product. */
export const MOST_OFFSET = 0.15;

export type SaltTest = { readonly ok: true; readonly offset: number } | { readonly ok: false; readonly why: string };

/** What to add to a sensor's humidity, from what it showed over salt after a night in the bag. */
export function saltTest(shown: Air): SaltTest {
  if (shown.temperatureC < 10 || shown.temperatureC > 35)
    return { ok: false, why: "Test between 10 and 35 °C: the salt's humidity is known there." };
  const offset = saltHumidity(shown.temperatureC) - shown.relativeHumidity;
  if (Math.abs(offset) > MOST_OFFSET)
    return {
      ok: false,
      why: `It is ${Math.round(Math.abs(offset) * 100)} points out. Is the bag tight, the salt damp but not wet, and has it lain there eight hours? If so, this sensor is to be replaced.`,
    };
  return { ok: true, offset };
}

/** Offsets of one sensor from a moment on, ms since 1970. */
export type Calibration = { readonly fromMs: number; readonly humidityOffset: number; readonly temperatureOffsetC: number };

/** A reading as its sensor would show it if it were true: the newest offsets from before it. What was read is kept as read. */
export function corrected<T extends Air>(reading: T, takenAtMs: number, calibrations: readonly Calibration[]): T {
  const valid = calibrations.filter(({ fromMs }) => fromMs <= takenAtMs).sort((a, b) => b.fromMs - a.fromMs)[0];
  if (!valid) return reading;
  return {
    ...reading,
    temperatureC: reading.temperatureC + valid.temperatureOffsetC,
    relativeHumidity: clamp(reading.relativeHumidity + valid.humidityOffset, 0.001, 1),
  };
}
