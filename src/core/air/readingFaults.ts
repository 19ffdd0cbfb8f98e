import type { Air } from "./schema";

export type DatedAir = Air & { readonly takenAtMs: number };

/** Something about a sensor's readings that a person should know; the readings themselves are left as they are. */
export type ReadingFault = {
  readonly kind: "gap" | "stuck" | "spike";
  readonly fromMs: number;
  readonly toMs: number;
  /** A spike's height over its neighbours: points of humidity as a fraction, and degrees. */
  readonly by?: { readonly relativeHumidity: number; readonly temperatureC: number };
};

/** Models of this product: what counts as too long, too still, too sudden. */
export const FAULTS = {
  /** No reading for so many usual intervals, and at least so long. */
  gapIntervals: 5,
  gapLeastMs: 3 * 60_000,
  /** A fine sensor that shows the same to the last digit, or a coarse one (half a point or more) for so long. */
  stuckFineMs: 45 * 60_000,
  stuckCoarseMs: 6 * 3_600_000,
  /** Higher or lower than the readings on both sides by this much, for so few readings. */
  spikeHumidity: 0.08,
  spikeTemperatureC: 3,
  spikeReadings: 3,
} as const;

/** Faults are found minute by minute: a reading this much later than a fault's end is already a new one, ms. */
const ENDED_AFTER_MS = { gap: 90_000, stuck: 120_000 } as const;

/** The silence or the standing still that a sensor is in right now; null when its newest reading has ended it. */
export function standingFault(faults: readonly ReadingFault[], newestMs: number): ReadingFault | null {
  const last = faults.at(-1);
  if (!last || last.kind === "spike") return null;
  const begun = last.kind === "gap" ? last.fromMs : last.toMs;
  return newestMs <= begun + ENDED_AFTER_MS[last.kind] ? last : null;
}

const middle = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** Gaps, stuck stretches and spikes in one sensor's readings, in order of time. `nowMs` closes a gap that is still open. */
export function readingFaults(readings: readonly DatedAir[], nowMs: number): ReadingFault[] {
  if (readings.length === 0) return [];
  return [...gaps(readings, nowMs), ...stuck(readings), ...spikes(readings)].sort((a, b) => a.fromMs - b.fromMs);
}

/** Time between readings as this sensor usually keeps it, ms. */
export function usualIntervalMs(readings: readonly DatedAir[]): number {
  const between = readings.slice(1).map((reading, i) => reading.takenAtMs - readings[i]!.takenAtMs);
  return between.length ? middle(between) : 60_000;
}

/** Longest silence that is still no gap, ms. */
export const silenceAllowedMs = (readings: readonly DatedAir[]) =>
  Math.max(FAULTS.gapLeastMs, FAULTS.gapIntervals * usualIntervalMs(readings));

function gaps(readings: readonly DatedAir[], nowMs: number): ReadingFault[] {
  const allowed = silenceAllowedMs(readings);
  return [...readings.slice(1).map(({ takenAtMs }) => takenAtMs), nowMs].flatMap((toMs, i) =>
    toMs - readings[i]!.takenAtMs > allowed ? [{ kind: "gap" as const, fromMs: readings[i]!.takenAtMs, toMs }] : [],
  );
}

function stuck(readings: readonly DatedAir[]): ReadingFault[] {
  const steps = readings.slice(1).flatMap(({ relativeHumidity }, i) => {
    const step = Math.abs(relativeHumidity - readings[i]!.relativeHumidity);
    return step > 1e-9 ? [step] : [];
  });
  const isCoarse = steps.length === 0 ? readings.every(onWholePoints) : Math.min(...steps) >= 0.0049;
  const longest = isCoarse ? FAULTS.stuckCoarseMs : FAULTS.stuckFineMs;
  const faults: ReadingFault[] = [];
  let from = 0;
  for (let i = 1; i <= readings.length; i++) {
    const [reading, first] = [readings[i], readings[from]!];
    if (reading && reading.relativeHumidity === first.relativeHumidity && reading.temperatureC === first.temperatureC) continue;
    const last = readings[i - 1]!;
    if (last.takenAtMs - first.takenAtMs >= longest) faults.push({ kind: "stuck", fromMs: first.takenAtMs, toMs: last.takenAtMs });
    from = i;
  }
  return faults;
}
const onWholePoints = ({ relativeHumidity }: Air) => Math.abs(relativeHumidity * 100 - Math.round(relativeHumidity * 100)) < 1e-6;

/** Readings that jump away from those around them and come back: a breath, a door, a fault; shown, not smoothed. */
function spikes(readings: readonly DatedAir[]): ReadingFault[] {
  const faults: ReadingFault[] = [];
  const around = 4;
  for (let i = around; i < readings.length - around; i++) {
    const sides = [readings.slice(i - around, i), readings.slice(i + FAULTS.spikeReadings, i + FAULTS.spikeReadings + around)];
    if (sides[1]!.length < around) break;
    const [before, after] = sides.map((side) => ({
      relativeHumidity: middle(side.map((one) => one.relativeHumidity)),
      temperatureC: middle(side.map((one) => one.temperatureC)),
    })) as [Air, Air];
    const reading = readings[i]!;
    const off = (key: keyof Air, most: number) => {
      const [a, b] = [reading[key] - before[key], reading[key] - after[key]];
      return Math.abs(a) > most && Math.abs(b) > most && Math.sign(a) === Math.sign(b)
        ? Math.sign(a) * Math.min(Math.abs(a), Math.abs(b))
        : 0;
    };
    const by = {
      relativeHumidity: off("relativeHumidity", FAULTS.spikeHumidity),
      temperatureC: off("temperatureC", FAULTS.spikeTemperatureC),
    };
    if (by.relativeHumidity === 0 && by.temperatureC === 0) continue;
    const last = faults.at(-1);
    // Neighbouring readings of one jump are one spike.
    if (last && reading.takenAtMs - last.toMs <= 2 * usualIntervalMs(readings.slice(Math.max(0, i - 20), i + 1)))
      faults[faults.length - 1] = { ...last, toMs: reading.takenAtMs };
    else faults.push({ kind: "spike", fromMs: reading.takenAtMs, toMs: reading.takenAtMs, by });
  }
  return faults;
}
