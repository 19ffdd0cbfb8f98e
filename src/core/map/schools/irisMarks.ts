import type { Landmarks } from "../../eye/survey";

/** Lengths between the marks lie this far below those on them, mm. Common practice: long on the lines, short between. */
export const BETWEEN_MARKS_MM = 1;

/**
 * Iris-marks school: lines at the inner corner, both iris edges and the outer corner, each gap halved. Every line and
 * every half is the middle of a zone: seven of them, `corner · between · iris · between · iris · between · corner`.
 */
export function irisMarkEdges({ irisInner, irisOuter }: Pick<Landmarks, "irisInner" | "irisOuter">): number[] {
  const lines = [0, irisInner, irisOuter, 1];
  const marks = lines.flatMap((line, i) => (i === 0 ? [line] : [(lines[i - 1]! + line) / 2, line]));
  return [0, ...marks.slice(1).map((mark, i) => (marks[i]! + mark) / 2), 1];
}
