import { leastSquares } from "./leastSquares";

/** One hour in which both sensors were heard: how much the second shows over the first. */
export type HourPair = { readonly atMs: number; readonly humidityApart: number; readonly temperatureApartC: number };

export type SensorDrift = {
  /** Mean of the last day's hours. */
  readonly humidityApart: number;
  readonly temperatureApartC: number;
  /** How it grows, points as a fraction in 30 days, by a straight line through all hours. */
  readonly humidityPerMonth: number;
  readonly hours: number;
  readonly worthTelling: boolean;
};

const DAY_MS = 86_400_000;
/** Further apart than this, one of them is wrong. A model of this product; usual sensors promise 2 to 3 points. */
export const DRIFT = { humidity: 0.03, temperatureC: 0.8, leastHours: 6 } as const;

/** How far two sensors of one room have come apart; null with fewer than six hours in common. */
export function sensorDrift(pairs: readonly HourPair[]): SensorDrift | null {
  if (pairs.length < DRIFT.leastHours) return null;
  const newest = Math.max(...pairs.map(({ atMs }) => atMs));
  const last = pairs.filter(({ atMs }) => atMs > newest - DAY_MS);
  const mean = (key: "humidityApart" | "temperatureApartC") => last.reduce((sum, pair) => sum + pair[key], 0) / last.length;
  const { slope } = leastSquares(pairs.map(({ atMs, humidityApart }) => [(atMs - newest) / DAY_MS, humidityApart]));
  const [humidityApart, temperatureApartC] = [mean("humidityApart"), mean("temperatureApartC")];
  return {
    humidityApart,
    temperatureApartC,
    humidityPerMonth: slope * 30,
    hours: pairs.length,
    worthTelling: Math.abs(humidityApart) > DRIFT.humidity || Math.abs(temperatureApartC) > DRIFT.temperatureC,
  };
}
