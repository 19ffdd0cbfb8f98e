import { proposeMinutes, PROCESS_PRIORS, type MinutesProposal } from "../colour";
import { nextLift, type LiftProposal } from "../lift/nextLift";
import { isProcess, plannedSeconds, type HairFactors, type Planned, type ProcessStep, type Protocol } from "../protocol";
import { coursesOf, lastLiftOf, type PastRun } from "./history";
import type { RunPlan } from "./runPlan";
import { lainS, stepOf } from "./runState";

/** Where a step's minutes come from: its usual time or the client's own history, and what was made of it. */
export type StepProposal = {
  readonly stepId: string;
  readonly seconds: number;
  readonly planned: Planned;
  readonly colour: MinutesProposal | null;
  readonly lift: (LiftProposal & { readonly lastS: number; readonly seenDeg: number | null; readonly atMs: number }) | null;
  /** How long it lay last time, where nothing but that is learned from. */
  readonly last: { readonly seconds: number; readonly atMs: number } | null;
};

export type Wish = Pick<RunPlan, "wish" | "from">;

/** Minutes for every step of a protocol for this client: from what worked on them, else the usual; never outside the leaflet's range. */
export function proposePlan(protocol: Protocol, past: readonly PastRun[], { wish, from }: Wish, pace: HairFactors): StepProposal[] {
  return protocol.steps.filter(isProcess).map((step) => proposeStep(step, past, { wish, from }, pace));
}

function proposeStep(step: ProcessStep, past: readonly PastRun[], { wish, from }: Wish, pace: HairFactors): StepProposal {
  if (step.product === "lifting" && step.on === "lashes") {
    const last = lastLiftOf(past);
    if (last && last.outcome.seenDeg !== null) {
      const lift = nextLift(last.outcome, step);
      const planned = plannedSeconds(step, pace, { seconds: lift.seconds, pace: last.past.run.plan!.pace });
      return {
        stepId: step.id,
        seconds: planned.seconds,
        planned,
        colour: null,
        last: null,
        lift: { ...lift, lastS: last.outcome.step1S, seenDeg: last.outcome.seenDeg, atMs: last.past.endedAtMs },
      };
    }
  }
  const prior = step.product === "lightener" || step.product === "tint" ? PROCESS_PRIORS[step.product] : null;
  const target = step.on === "lashes" ? wish.lashDepth : wish.browDepth;
  if (prior && target !== null) {
    const colour = proposeMinutes(
      { fromDepth: step.on === "lashes" ? from.lashDepth : from.browDepth, targetDepth: target },
      coursesOf(past, step.product!, step.on),
      step,
      prior,
    );
    const planned = colour.from === "history" ? plannedSeconds(step, pace, { seconds: colour.seconds, pace }) : plannedSeconds(step, pace);
    return { stepId: step.id, seconds: planned.seconds, planned, colour, lift: null, last: null };
  }
  const last = lastOf(step, past);
  const planned = plannedSeconds(step, pace, last ?? undefined);
  return { stepId: step.id, seconds: planned.seconds, planned, colour: null, lift: null, last };
}

/** The same product on the same part, at the newest visit that ended and was said to have gone well: how long it lay, by which pace. */
function lastOf(step: ProcessStep, past: readonly PastRun[]) {
  const sound = [...past]
    .sort((a, b) => b.endedAtMs - a.endedAtMs)
    // Of a visit nobody judged it is not known whether that time was right.
    .filter(({ run }) => run.plan && !run.stop && (run.result?.comfort === "well" || run.result?.comfort === "tickled"));
  for (const { run, endedAtMs } of sound) {
    const coat = run.coats.find(({ stepId }) => {
      const then = stepOf(run, stepId);
      return then?.product === step.product && then?.on === step.on;
    });
    if (coat) return { seconds: lainS(coat, endedAtMs), atMs: endedAtMs, pace: run.plan!.pace };
  }
  return null;
}
