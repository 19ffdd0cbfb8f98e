import type { Landmarks } from "../../eye/survey";

/**
 * Brow-peak school: a line at the pupil; the half of the outer side nearest the pupil is the longest zone; the rest of
 * the outer side in four, going down; the inner side in five, down to the inner corner. Common practice.
 * Ten zones: `7 8 9 10 11 | 12 | 11 10 9 8`. Edges as fractions of the lash line.
 */
export function browPeakEdges({ pupil }: Pick<Landmarks, "pupil">): number[] {
  const middle = (pupil + 1) / 2;
  const inner = Array.from({ length: 5 }, (_, i) => (pupil * i) / 5);
  const outer = Array.from({ length: 4 }, (_, i) => middle + ((1 - middle) * i) / 4);
  return [...inner, pupil, ...outer, 1];
}
