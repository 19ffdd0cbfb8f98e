import { AREAS, partOf, type Area } from "../eye/areas";
import type { ProcessStep } from "../protocol/protocol";
import { isProcess } from "../protocol/steps";
import { coatsOn, isDone, isOn, isRinsing, lainS, overrunS, plannedS, stepOf, type Coat, type RunState } from "./runState";

/** Why a tap does not go through, or is asked about first. */
export type Objection = {
  readonly rule:
    | "stopped"
    | "noPlan"
    | "alreadyOn"
    | "lastStillOn"
    | "waits"
    | "taskOpen"
    | "noBatch"
    | "noPaste"
    | "pasteStood"
    | "pasteStopped"
    | "wrongEyeOff"
    | "offFirst"
    | "early";
  /** A hard one is never passed; the rest may be, by a second tap, and are recorded. */
  readonly hard: boolean;
  readonly why: string;
};

const objection = (rule: Objection["rule"], hard: boolean, why: string): Objection => ({ rule, hard, why });

export const plannedAreas = (run: RunState, part: "lashes" | "brows"): readonly Area[] =>
  AREAS.filter((area) => partOf(area) === part && run.plan?.areas.includes(area));

/** Steps of an area in the order they are done. */
export function chain(run: RunState, area: Area): ProcessStep[] {
  return (run.plan?.protocol.steps ?? []).filter(isProcess).filter(({ on }) => on === partOf(area));
}

/** The step an area comes to next: the first of its chain that has not come off it; null when all have. */
export function nextStep(run: RunState, area: Area): ProcessStep | null {
  return chain(run, area).find((step) => !isDone(run, step.id, area)) ?? null;
}

/** Untimed steps that stand before a timed one and are not yet seen done. */
export function openTasks(run: RunState, stepId: string) {
  const steps = run.plan?.protocol.steps ?? [];
  const until = steps.findIndex(({ id }) => id === stepId);
  return steps.slice(0, until).filter((step) => step.kind !== "process" && !run.tasks.has(step.id));
}

/** The paste a step is coated from now, if one is mixed. */
export const pasteFor = (run: RunState, stepId: string) => run.pastes.findLast((paste) => paste.stepId === stepId) ?? null;

/** What stands against putting a step on an area now; null where nothing does. */
export function mayCoat(run: RunState, stepId: string, area: Area, nowMs: number): Objection | null {
  if (isRinsing(run)) return objection("stopped", true, "Stopped. Nothing more goes on while it is rinsed.");
  if (run.stop) return objection("stopped", true, "This run was stopped. Nothing more goes on today.");
  const step = stepOf(run, stepId);
  if (!run.plan || !step) return objection("noPlan", true, "Nothing is planned yet.");
  const on = coatsOn(run).find((coat) => coat.area === area);
  if (on)
    return on.stepId === stepId
      ? objection("alreadyOn", true, "It is on already; its clock runs.")
      : objection(
          "lastStillOn",
          true,
          `“${stepOf(run, on.stepId)?.name}” is still on there. The next clock begins when it is wiped off, all of it.`,
        );
  const steps = chain(run, area);
  const before = steps
    .slice(
      0,
      steps.findIndex(({ id }) => id === stepId),
    )
    .find((one) => !isDone(run, one.id, area));
  if (before) return objection("lastStillOn", true, `“${before.name}” comes first on this side.`);
  for (const id of step.waitsFor) {
    const other = stepOf(run, id);
    const open = other && plannedAreas(run, other.on).some((one) => !isDone(run, id, one));
    if (open) return objection("waits", true, `It waits until “${other.name}” is off everywhere.`);
  }
  const [task] = openTasks(run, stepId);
  if (task)
    return objection("taskOpen", true, task.kind === "release" ? `Not yet: ${task.checks[1] ?? task.name}.` : `First: ${task.name}.`);
  if (step.mix) {
    const paste = pasteFor(run, stepId);
    if (!paste) return objection("noPaste", true, "Nothing is mixed for it yet.");
    if ((nowMs - paste.mixedAtMs) / 1000 > paste.lifeS)
      return objection("pasteStood", true, "The paste has stood too long; what has reacted in the dish colours nothing. Mix anew.");
  } else if (!run.batches.some((batch) => batch.stepId === stepId))
    return objection("noBatch", true, "Say which batch it comes from first.");
  return null;
}

/** What stands against wiping a coat off now. Nothing does while it is rinsed, or past the leaflet's end: then it comes off in any order. */
export function mayWipe(run: RunState, coat: Coat, nowMs: number): Objection | null {
  if (run.stop || overrunS(run, coat, nowMs) > 0) return null;
  const step = stepOf(run, coat.stepId);
  const first = run.coats.find((other) => other.stepId === coat.stepId && isOn(other) && other.onAtMs < coat.onAtMs);
  if (first) return objection("wrongEyeOff", false, "The other side went on first and comes off first.");
  const waits = (step?.offAfter ?? [])
    .map((id) => stepOf(run, id))
    .find((other) => other && coatsOn(run).some(({ stepId }) => stepId === other.id));
  if (waits) return objection("offFirst", false, `“${waits.name}” comes off first.`);
  const leftS = plannedS(run, coat) - lainS(coat, nowMs);
  if (leftS > 15) return objection("early", false, "Its time is not up.");
  return null;
}

/** How much longer a coat may still be given, s: to the leaflet's end and no further, and nothing once that is near. */
export function mayExtendS(run: RunState, coat: Coat, nowMs: number): number {
  const step = stepOf(run, coat.stepId);
  return step ? Math.max(0, Math.min(step.mostS - plannedS(run, coat), step.mostS - lainS(coat, nowMs))) : 0;
}

/** A tap for longer gives so much, s; less than a quarter minute is not worth one. */
const LONGER_S = 30;
const LEAST_LONGER_S = 15;

/**
 * What one tap for longer does: every side of the step gets the same, so that both keep their order and their stagger; as
 * much as the side nearest its leaflet's end still has. Null where that is too little, or nothing lies on.
 */
export function longer(run: RunState, stepId: string, nowMs: number): { readonly byS: number; readonly areas: readonly Area[] } | null {
  const on = coatsOn(run).filter((coat) => coat.stepId === stepId);
  if (on.length === 0) return null;
  const byS = Math.min(LONGER_S, ...on.map((coat) => Math.floor(mayExtendS(run, coat, nowMs))));
  return byS < LEAST_LONGER_S ? null : { byS, areas: on.map(({ area }) => area) };
}
