import { studentTQuantile, fBeyond } from "../statistics/distributions";
import type { Count } from "./shareLeft";

/** One fill, two places on the same client at the same time: two sides, or corners and the rest. */
export type PairedCounts = { readonly one: Count; readonly other: Count };

/** How many times as many were lost in the one place as in the other. */
export type LossRatio = {
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
  /** How often chance alone does as much. */
  readonly chance: number;
  readonly fills: number;
};

/**
 * Losses of one place beside another's within each fill, over one client's fills: Mantel and Haenszel's ratio of shares lost
 * with Greenland and Robins' spread (Biometrics 41 (1985) 55-68), widened by as much as the fills disagree beyond chance, in
 * Student's t of the fills. Null where one fill is all there is, or where one of the places lost nothing.
 */
export function lossRatio(fills: readonly PairedCounts[]): LossRatio | null {
  const used = fills.filter(({ one, other }) => one.worn > 0 && other.worn > 0);
  if (used.length < 2) return null;
  let [ours, theirs, spread] = [0, 0, 0];
  for (const { one, other } of used) {
    const all = one.worn + other.worn;
    const [a, b] = [one.worn - one.left, other.worn - other.left];
    ours += (a * other.worn) / all;
    theirs += (b * one.worn) / all;
    spread += (one.worn * other.worn * (a + b) - a * b * all) / all ** 2;
  }
  if (ours === 0 || theirs === 0) return null;
  const ratio = ours / theirs;
  const scatter = Math.max(1, scatterAbout(used, ratio));
  const variance = (spread / (ours * theirs)) * scatter;
  const df = used.length - 1;
  const off = studentTQuantile(0.975, df) * Math.sqrt(variance);
  return {
    ratio,
    low: ratio * Math.exp(-off),
    high: ratio * Math.exp(off),
    chance: fBeyond(Math.log(ratio) ** 2 / variance, 1, df),
    fills: used.length,
  };
}

/** How much more than counting the fills disagree with one common ratio, a degree of freedom. */
function scatterAbout(fills: readonly PairedCounts[], ratio: number): number {
  let sum = 0;
  for (const { one, other } of fills) {
    const lost = one.worn - one.left + (other.worn - other.left);
    const base = lost / (ratio * one.worn + other.worn);
    const [p, q] = [Math.min(1, ratio * base), Math.min(1, base)];
    const expected = p * one.worn;
    const variance = (1 / Math.max(1e-9, one.worn * p * (1 - p)) + 1 / Math.max(1e-9, other.worn * q * (1 - q))) ** -1;
    sum += (one.worn - one.left - expected) ** 2 / Math.max(1e-9, variance);
  }
  return sum / (fills.length - 1);
}
