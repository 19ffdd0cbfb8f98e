import { isExact, type Range } from "./range";

/**
 * Most hydrogen peroxide in what lies on lashes, as a fraction by weight. From memory: Regulation (EC) No 1223/2009,
 * Annex III, eyelash products, professional use. Local codes may ask for less.
 */
export const LASH_PEROXIDE_LIMIT = 0.02;

/** One thing in the mix: its weight and the peroxide in it, as a fraction (0 for a colour). */
export type Part = { readonly grams: Range; readonly peroxide: number };

/** Peroxide in the mix, as a fraction by weight: `Σ c·m / Σ m`. The low bound has least of what carries it and most of the rest. */
export function peroxideInMix(parts: readonly Part[]): Range {
  const share = (carrier: keyof Range, rest: keyof Range) => {
    const weigh = ({ grams, peroxide }: Part) => grams[peroxide > 0 ? carrier : rest];
    const all = parts.reduce((sum, part) => sum + weigh(part), 0);
    return all === 0 ? 0 : parts.reduce((sum, part) => sum + part.peroxide * weigh(part), 0) / all;
  };
  return { low: share("low", "high"), mid: share("mid", "mid"), high: share("high", "low") };
}

export type PeroxideVerdict = {
  /** Stopped: known to be over. Caution: it may be over. */
  readonly state: "fine" | "caution" | "stopped";
  readonly known: boolean;
  readonly range: Range;
  readonly limit: number | null;
};

/** A little over the limit by the arithmetic of floating numbers alone is not over it. */
const SLACK = 1e-9;

/** What the lash limit says of a mix; on brows there is none, there the leaflet speaks. */
export function judgePeroxide(range: Range, on: "lashes" | "brows", limit = LASH_PEROXIDE_LIMIT): PeroxideVerdict {
  const known = isExact(range);
  if (on === "brows") return { state: "fine", known, range, limit: null };
  const state = range.low > limit + SLACK ? "stopped" : range.high > limit + SLACK ? "caution" : "fine";
  return { state, known, range, limit };
}
