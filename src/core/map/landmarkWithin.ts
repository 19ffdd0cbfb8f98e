import type { Landmarks } from "../eye";

/** So near may a landmark come to its neighbour, and to the corners, as fractions of the lash line. */
const NEIGHBOUR_GAP = 0.012;
const CORNER_GAP = 0.02;

/** A landmark's place (0 inner corner .. 1 outer) held between its neighbours, so that they never cross. The brow's peak may lie over the iris's edge. */
export function landmarkWithin(marks: Landmarks, mark: keyof Landmarks, at: number): number {
  const [low, high] = {
    irisInner: [CORNER_GAP, marks.pupil - NEIGHBOUR_GAP],
    pupil: [marks.irisInner + NEIGHBOUR_GAP, Math.min(marks.irisOuter, marks.browPeak) - NEIGHBOUR_GAP],
    irisOuter: [marks.pupil + NEIGHBOUR_GAP, 1 - CORNER_GAP],
    browPeak: [marks.pupil + NEIGHBOUR_GAP, 1 - CORNER_GAP],
  }[mark] as [number, number];
  return Math.min(high, Math.max(low, at));
}
