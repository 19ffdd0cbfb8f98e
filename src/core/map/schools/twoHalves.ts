import type { Landmarks } from "../../eye/survey";

/** Share of the outer half that its last, shorter zone takes. Common practice says "a few"; the share is this product's. */
const FEW = 0.18;
/** Share of the inner half that its corner takes. A share of this product's. */
const INNER_CORNER = 0.16;
/** The half to the pupil lies at least this far below the look, mm. Common practice says "short"; the figure is this product's. */
export const SHORT_HALF_MM = 1;

/**
 * Two halves: a small corner, short to the pupil, long beyond it, a few short ones at the outer end. Each half is cut in
 * two, for its lashes are of many lengths: six zones.
 */
export function twoHalvesEdges({ pupil }: Pick<Landmarks, "pupil">): number[] {
  const [inner, outer] = [pupil * INNER_CORNER, 1 - (1 - pupil) * FEW];
  return [0, inner, (inner + pupil) / 2, pupil, (pupil + outer) / 2, outer, 1];
}

/** How far a zone lies below the look, mm. */
export const belowInShortHalf = (index: number): number => (index === 1 || index === 2 ? SHORT_HALF_MM : 0);
