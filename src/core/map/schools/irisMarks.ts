import type { Landmarks } from "../../eye/survey";
import { LOOKS, type LookId } from "../looks";

/** Lengths between the marks lie this far below those on them, mm. Common practice: long on the lines, short between. */
export const BETWEEN_MARKS_MM = 1;
/** Looks that rise outwards have their outer line inside the corner: this share of the way from the iris to the corner. A model of this product. */
const OUTER_LINE = 0.74;

/**
 * Iris-marks school: lines at the inner corner, both iris edges and the outer corner, each gap halved. Every line and
 * every half is the middle of a zone: seven of them, `corner · between · iris · between · iris · between · corner`.
 * Of a look that rises outwards the outer line lies just inside the corner, which is a zone of its own then: eight.
 */
export function irisMarkEdges({ irisInner, irisOuter }: Pick<Landmarks, "irisInner" | "irisOuter">, look: LookId): number[] {
  const rises = LOOKS[look].rises ?? false;
  const lines = rises ? [0, irisInner, irisOuter, irisOuter + (1 - irisOuter) * OUTER_LINE] : [0, irisInner, irisOuter, 1];
  const marks = lines.flatMap((line, i) => (i === 0 ? [line] : [(lines[i - 1]! + line) / 2, line]));
  const edges = [0, ...marks.slice(1).map((mark, i) => (marks[i]! + mark) / 2)];
  return rises ? [...edges, (lines.at(-1)! + 1) / 2, 1] : [...edges, 1];
}

/** On a line or between two; a corner's own lashes decide for it. */
export const irisMarkOf = (index: number): "on" | "between" => (index % 2 === 0 ? "on" : "between");
