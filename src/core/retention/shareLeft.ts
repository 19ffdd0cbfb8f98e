import type { ShareRange } from "../growth";
import { betaQuantile } from "../statistics/distributions";

/** A count at a fill: of `worn` lashes when the client left, `left` are on. */
export type Count = { readonly left: number; readonly worn: number };

/** A count that cannot be. */
export class ImpossibleCount extends RangeError {}

/**
 * The share left and the bounds that hold it in 95 of 100: Jeffreys' interval for a binomial share (Brown, Cai and DasGupta,
 * Statistical Science 16 (2001) 101-133), none where all are left or none is. `shareLeft({ left: 128, worn: 213 })` → 0.60, 0.53 to 0.67.
 * For one visit; fills of a whole studio are never one binomial, for clients differ.
 */
export function shareLeft({ left, worn }: Count): ShareRange {
  if (!(Number.isInteger(left) && Number.isInteger(worn) && left >= 0 && worn >= left && worn > 0))
    throw new ImpossibleCount("Of what was worn, no more can be left, and nothing of nothing.");
  const [a, b] = [left + 0.5, worn - left + 0.5];
  return {
    mid: left / worn,
    low: left === 0 ? 0 : betaQuantile(0.025, a, b),
    high: left === worn ? 1 : betaQuantile(0.975, a, b),
  };
}
