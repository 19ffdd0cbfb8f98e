import { clamp } from "../units";
import { timeToTarget, type Course, type ProcessPrior, type TimeToTarget } from "./processing";

export type MinutesProposal = {
  readonly seconds: number;
  /** From the client's own looks, or the protocol's usual time while there are none. */
  readonly from: "history" | "usual";
  readonly estimate: TimeToTarget | null;
  /** Visits with looks behind it. */
  readonly visits: number;
  /** What cut it: the leaflet's shortest or longest. Unreachable: by the leaflet's end it is more likely not there. */
  readonly held: "least" | "most" | null;
  readonly unreachable: boolean;
};

/** Looks under which the client's own history is too thin to speak. A model of this product. */
const LEAST_LOOKS = 1;

/** Minutes to plan for a wished depth: by the client's own courses where there are any, never outside the leaflet's range. */
export function proposeMinutes(
  wish: { readonly fromDepth: number; readonly targetDepth: number },
  earlier: readonly Course[],
  step: { readonly leastS: number; readonly mostS: number; readonly defaultS: number },
  prior: ProcessPrior,
): MinutesProposal {
  const estimate = timeToTarget(wish.targetDepth, { looks: [{ minutes: 0, depth: wish.fromDepth }] }, earlier, prior);
  const visits = earlier.filter(({ looks }) => looks.some(({ minutes }) => minutes > 0)).length;
  const unreachable = estimate.reachedBy(step.mostS / 60) < 0.5;
  if (estimate.looks < LEAST_LOOKS) return { seconds: step.defaultS, from: "usual", estimate: null, visits, held: null, unreachable };
  const wished = Number.isFinite(estimate.mid) ? Math.round((estimate.mid * 60) / 15) * 15 : Infinity;
  return {
    seconds: clamp(wished, step.leastS, step.mostS),
    from: "history",
    estimate,
    visits,
    held: wished > step.mostS ? "most" : wished < step.leastS ? "least" : null,
    unreachable,
  };
}
