import type { Air } from "../air";
import { heldToGood, isGoodFor, setTimeRatio, USUAL_LAW, type CureLaw } from "./setTime";

/** Air at a moment, ms since 1970. */
export type AirAt = Air & { readonly atMs: number };

/** How far work has cured: seconds at 22 °C and 50 % that the air it really had is worth. */
export type CureDose = {
  readonly doseS: number;
  /** Wider the longer no reading came. */
  readonly lowS: number;
  readonly highS: number;
  /** Seconds of it that no reading covers. */
  readonly unheardS: number;
  /** Seconds of it in air that the model is not good for, counted as the nearest that it is. */
  readonly outsideS: number;
};

/** A silence this long is still between two readings, ms. */
export const USUAL_SILENCE_MS = 5 * 60_000;
/** How little is known of a room's air, as a share of the rate, after an hour without a reading. A model of this product. */
const UNKNOWN_AFTER_AN_HOUR = 0.2;
const UNKNOWN_AT_MOST = 0.5;
const PIECE_MS = 5 * 60_000;

/** Three-point Gauss-Legendre on 0..1. */
const NODES = [
  [0.5 - Math.sqrt(0.15), 5 / 18],
  [0.5, 8 / 18],
  [0.5 + Math.sqrt(0.15), 5 / 18],
] as const;

const between = (a: AirAt, b: AirAt, atMs: number): Air => {
  const share = b.atMs === a.atMs ? 0 : (atMs - a.atMs) / (b.atMs - a.atMs);
  return {
    temperatureC: a.temperatureC + (b.temperatureC - a.temperatureC) * share,
    relativeHumidity: a.relativeHumidity + (b.relativeHumidity - a.relativeHumidity) * share,
  };
};

/** Dose, and what is unsure of it, over a stretch; stretches add up. */
type Sum = { readonly doseS: number; readonly unsureS: number; readonly unheardS: number; readonly outsideS: number };
const NOTHING: Sum = { doseS: 0, unsureS: 0, unheardS: 0, outsideS: 0 };
const plus = (a: Sum, b: Sum, sign = 1): Sum => ({
  doseS: a.doseS + sign * b.doseS,
  unsureS: a.unsureS + sign * b.unsureS,
  unheardS: a.unheardS + sign * b.unheardS,
  outsideS: a.outsideS + sign * b.outsideS,
});

/** How much one room's air has cured up to any moment: made once for its readings, then asked for as many stretches as are wanted. */
export type DoseCurve = {
  readonly law: CureLaw;
  /** The newest air; null where none was ever read. */
  readonly latest: Air | null;
  /** The dose of a stretch, ms; null where no reading was ever taken. */
  readonly between: (fromMs: number, toMs: number) => CureDose | null;
};

/**
 * `D = ∫ t_ref/t(T, φ) dt` over the readings actually taken, in order of time, straight between two of them and held
 * before the first and after the last. `t_ref` is the same bottle's time at reference, so it counts the air alone.
 */
export function doseCurve(readings: readonly AirAt[], law: CureLaw = USUAL_LAW, silenceMs = USUAL_SILENCE_MS): DoseCurve {
  const [first, last] = [readings[0], readings.at(-1)];
  if (!first || !last) return { law, latest: null, between: () => null };
  /** From the first reading to each. */
  const sums: Sum[] = [NOTHING];
  for (let i = 1; i < readings.length; i++) sums.push(plus(sums[i - 1]!, stretch(readings[i - 1]!, readings[i]!, readings[i]!.atMs)));
  const known = new Map<number, Sum>();

  /** From the first reading to a moment between it and the last. */
  function upTo(ms: number): Sum {
    const seen = known.get(ms);
    if (seen) return seen;
    const i = lastBefore(readings, ms);
    const next = readings[i + 1];
    const sum = next ? plus(sums[i]!, stretch(readings[i]!, next, ms)) : sums[i]!;
    known.set(ms, sum);
    return sum;
  }
  /** From one reading towards the next, as far as a moment. */
  function stretch(a: AirAt, b: AirAt, untilMs: number): Sum {
    return integral(law, a.atMs, untilMs, (ms) => between(a, b, ms), unheardIn(a, b, a.atMs, untilMs, silenceMs));
  }
  /** Before the first reading or after the last its air is held. */
  const isolatedSum = (a: AirAt, b: AirAt, fromMs: number, toMs: number): Sum => {
    const air = a.atMs === -Infinity ? b : a;
    return toMs > fromMs ? integral(law, fromMs, toMs, () => air, unheardIn(a, b, fromMs, toMs, silenceMs)) : NOTHING;
  };
  return {
    law,
    latest: last,
    between: (fromMs, toMs) => {
      const inside = (ms: number) => Math.min(last.atMs, Math.max(first.atMs, ms));
      const before = isolatedSum({ ...first, atMs: -Infinity }, first, fromMs, Math.min(toMs, first.atMs));
      const after = isolatedSum(last, { ...last, atMs: Infinity }, Math.max(fromMs, last.atMs), toMs);
      const heard = toMs > fromMs ? plus(upTo(inside(toMs)), upTo(inside(fromMs)), -1) : NOTHING;
      const { doseS, unsureS, unheardS, outsideS } = plus(plus(before, heard), after);
      return { doseS, lowS: doseS - unsureS, highS: doseS + unsureS, unheardS, outsideS };
    },
  };
}

/** The dose of one stretch; null when no reading was ever taken. For many stretches of the same air, make the curve once. */
export const cureDose = (
  readings: readonly AirAt[],
  fromMs: number,
  toMs: number,
  law: CureLaw = USUAL_LAW,
  silenceMs = USUAL_SILENCE_MS,
): CureDose | null => doseCurve(readings, law, silenceMs).between(fromMs, toMs);

/** The last reading at or before a moment that is not before the first. */
function lastBefore(readings: readonly AirAt[], ms: number): number {
  let [low, high] = [0, readings.length - 1];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (readings[middle]!.atMs <= ms) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** Gauss-Legendre over pieces of some minutes: the rate bends little within one. */
function integral(
  law: CureLaw,
  fromMs: number,
  toMs: number,
  airAt: (ms: number) => Air,
  unheard: { seconds: number; unknown: number },
): Sum {
  if (toMs <= fromMs) return NOTHING;
  let [doseS, outsideS] = [0, 0];
  const pieces = Math.ceil((toMs - fromMs) / PIECE_MS);
  for (let k = 0; k < pieces; k++)
    for (const [node, weight] of NODES) {
      const air = airAt(fromMs + ((toMs - fromMs) * (k + node)) / pieces);
      const seconds = ((toMs - fromMs) / pieces / 1000) * weight;
      doseS += seconds / setTimeRatio(heldToGood(air), law);
      if (!isGoodFor(air)) outsideS += seconds;
    }
  const share = unheard.seconds / ((toMs - fromMs) / 1000);
  return { doseS, unsureS: doseS * share * unheard.unknown, unheardS: unheard.seconds, outsideS };
}

/** What part of a stretch between two readings nothing is known of, and how little. */
function unheardIn(a: AirAt, b: AirAt, from: number, to: number, silenceMs: number) {
  const lone = a.atMs === -Infinity ? b.atMs : b.atMs === Infinity ? a.atMs : null;
  const unknown = (ms: number) => Math.min(UNKNOWN_AT_MOST, UNKNOWN_AFTER_AN_HOUR * Math.sqrt(ms / 3_600_000));
  if (lone !== null) {
    // Beyond the first or the last reading: heard as long as the next would not be due.
    const [near, far] = a.atMs === -Infinity ? [lone - to, lone - from] : [from - lone, to - lone];
    const ms = Math.max(0, far - Math.max(near, silenceMs));
    return { seconds: ms / 1000, unknown: unknown(far) };
  }
  const silence = b.atMs - a.atMs;
  return silence <= silenceMs ? { seconds: 0, unknown: 0 } : { seconds: (to - from) / 1000, unknown: unknown(silence) };
}
