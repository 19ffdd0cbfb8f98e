/**
 * How far a fan of fibres is opened, as the angle between its outermost fibres. Closed fans hold like volume and read as
 * one long accent; wide ones read light, narrow ones dark. The angles are a model of this product.
 */
export const FAN_OPENINGS = {
  closed: { label: "closed", angleDeg: 0 },
  narrow: { label: "narrow", angleDeg: 14 },
  usual: { label: "usual", angleDeg: 26 },
  wide: { label: "wide", angleDeg: 42 },
} as const;
export type FanOpening = keyof typeof FAN_OPENINGS;
export const FAN_OPENING_IDS = Object.keys(FAN_OPENINGS) as [FanOpening, ...FanOpening[]];

type Counted = { readonly count: number; readonly countTo?: number | undefined };

/** Fibres on one lash on average: of 3-5D, four. */
export function meanCount({ count, countTo }: Counted): number {
  return (count + (countTo ?? count)) / 2;
}

/** Fibres of the heaviest fan made: of 3-5D, five. What load is judged on. */
export function mostCount({ count, countTo }: Counted): number {
  return countTo ?? count;
}

/** Packed without gaps a bundle is √n fibres thick; on a lash it lies so much flatter. */
const FLATTENED = 1.8;

/**
 * How many fibres wide a closed fan is seen: they lie side by side as much as on each other. A model of this product.
 * `closedFanWidth(6)` → 4.41
 */
export function closedFanWidth(count: number): number {
  return Math.min(count, FLATTENED * Math.sqrt(count));
}

/** "singles", "5D", "3–5D" */
export function countLabel({ count, countTo }: Counted): string {
  if (mostCount({ count, countTo }) === 1) return "singles";
  return countTo && countTo !== count ? `${count}–${countTo}D` : `${count}D`;
}
