/** A figure with what it may as well be: the likely one, and the bounds it lies within. */
export type Range = { readonly low: number; readonly mid: number; readonly high: number };

export const exactly = (value: number): Range => ({ low: value, mid: value, high: value });

/** A figure known to a share of itself. `within(1, 0.4)` → 0.6, 1, 1.4 */
export const within = (value: number, share: number): Range => ({ low: value * (1 - share), mid: value, high: value * (1 + share) });

/** Sum of figures, bounds with bounds. */
export const sumOfRanges = (ranges: readonly Range[]): Range => ({
  low: ranges.reduce((sum, { low }) => sum + low, 0),
  mid: ranges.reduce((sum, { mid }) => sum + mid, 0),
  high: ranges.reduce((sum, { high }) => sum + high, 0),
});

export const isExact = ({ low, high }: Range): boolean => high - low <= 1e-9 * Math.max(1, Math.abs(high));
