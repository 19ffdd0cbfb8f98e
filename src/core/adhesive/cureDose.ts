import type { Air } from "../air";
import { heldToGood, isGoodFor, setTimeRatio, USUAL_LAW, type CureLaw } from "./setTime";

/** Air at a moment, ms since 1970. */
export type AirAt = Air & { readonly atMs: number };

/** How far work has cured: seconds at 22 °C and 50 % that the air it really had is worth. */
export type Dose = {
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

/**
 * `D = ∫ t_ref/t(T, φ) dt` over the readings actually taken, in order of time, straight between two of them and held
 * before the first and after the last. `t_ref` is the same bottle's time at reference, so it counts the air alone.
 * Null when no reading was ever taken.
 */
export function cureDose(
  readings: readonly AirAt[],
  fromMs: number,
  toMs: number,
  law: CureLaw = USUAL_LAW,
  silenceMs = USUAL_SILENCE_MS,
): Dose | null {
  const [first, last] = [readings[0], readings.at(-1)];
  if (!first || !last) return null;
  const ends: AirAt[] = [{ ...first, atMs: -Infinity }, ...readings, { ...last, atMs: Infinity }];
  let [doseS, unsureS, unheardS, outsideS] = [0, 0, 0, 0];
  for (let i = 1; i < ends.length; i++) {
    const [a, b] = [ends[i - 1]!, ends[i]!];
    const [from, to] = [Math.max(fromMs, a.atMs), Math.min(toMs, b.atMs)];
    if (to <= from) continue;
    const held = a.atMs === -Infinity || b.atMs === Infinity;
    let piece = 0;
    const pieces = held ? 1 : Math.ceil((to - from) / PIECE_MS);
    for (let k = 0; k < pieces; k++)
      for (const [node, weight] of NODES) {
        const at = from + ((to - from) * (k + node)) / pieces;
        const air = held ? a : between(a, b, at);
        const seconds = ((to - from) / pieces / 1000) * weight;
        piece += seconds / setTimeRatio(heldToGood(air), law);
        if (!isGoodFor(air)) outsideS += seconds;
      }
    doseS += piece;
    const silence = unheardIn(a, b, from, to, silenceMs);
    unheardS += silence.seconds;
    if (to > from) unsureS += piece * (silence.seconds / ((to - from) / 1000)) * silence.unknown;
  }
  return { doseS, lowS: doseS - unsureS, highS: doseS + unsureS, unheardS, outsideS };
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
