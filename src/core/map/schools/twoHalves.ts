import type { Landmarks } from "../../eye/survey";

/** Share of the outer half that its last, shorter zone takes. Common practice says "a few"; the share is this product's. */
const FEW = 0.18;

/** Two halves: short to the pupil, long beyond it, a few short ones at the outer end. Three zones. */
export function twoHalvesEdges({ pupil }: Pick<Landmarks, "pupil">): number[] {
  return [0, pupil, 1 - (1 - pupil) * FEW, 1];
}
