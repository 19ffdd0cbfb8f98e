import { clamp } from "../units";
import { LIFT_WISHES, type LiftWish } from "./chooseShield";

/** How one lift turned out. */
export type LiftOutcome = {
  readonly wish: LiftWish;
  readonly seenDeg: number | null;
  readonly step1S: number;
  /** Null where nobody judged it. */
  readonly even: boolean | null;
  readonly comfort: "well" | "tickled" | "stung" | null;
};

export type LiftProposal = {
  readonly seconds: number;
  readonly reason: "usual" | "more" | "less" | "same" | "stung" | "uneven";
  readonly held: "least" | "most" | null;
};

/** Past this many degrees off the wish the time is changed, and by so much. A model of this product. */
const OFF_DEG = 15;
const CHANGE_S = 30;

/** Step 1 for the next lift: what the last one took, a little more or less where the turn missed the wish, within the leaflet. */
export function nextLift(last: LiftOutcome | null, step: { leastS: number; mostS: number; defaultS: number }): LiftProposal {
  if (!last || last.seenDeg === null) return { seconds: step.defaultS, reason: "usual", held: null };
  const off = last.seenDeg - LIFT_WISHES[last.wish].turnDeg;
  const [change, reason] =
    last.comfort === "stung"
      ? ([0, "stung"] as const)
      : last.even === false
        ? ([0, "uneven"] as const)
        : off < -OFF_DEG
          ? ([CHANGE_S, "more"] as const)
          : off > OFF_DEG
            ? ([-CHANGE_S, "less"] as const)
            : ([0, "same"] as const);
  const wished = last.step1S + change;
  const seconds = clamp(wished, step.leastS, step.mostS);
  return { seconds, reason, held: wished > step.mostS ? "most" : wished < step.leastS ? "least" : null };
}
