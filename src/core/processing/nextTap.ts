import { AREAS, partOf, type Area } from "../eye/areas";
import { mayCoat, nextStep, openTasks } from "./mayTap";
import { coatsOn, isOn, overrunS, plannedS, stepOf, type Coat, type RunState } from "./runState";

/** What the pedal does next. */
export type NextTap =
  | { readonly kind: "coat" | "wipe"; readonly stepId: string; readonly area: Area }
  | { readonly kind: "task"; readonly stepId: string }
  | { readonly kind: "batch" | "mix"; readonly stepId: string }
  | { readonly kind: "wait"; readonly stepId: string; readonly area: Area; readonly leftS: number }
  | { readonly kind: "done" };

/** A coat that will be off within this is waited for, rather than another step begun, s. A model of this product. */
const WAIT_S = 90;

/**
 * The one next thing, so that a foot pedal is enough: what is due comes off, first on first; then what can go on goes on,
 * the side that was first before first again; else it waits for the next that is due.
 */
export function nextTap(run: RunState, nowMs: number): NextTap {
  if (!run.plan) return { kind: "done" };
  const on = offOrder(run);
  if (run.stop) return on[0] ? { kind: "wipe", stepId: on[0].stepId, area: on[0].area } : { kind: "done" };
  const free = on.filter((coat) => !blockedOff(run, coat.stepId));
  // Where each waits for another, an order written in a circle keeps nothing on the hair.
  const off = free.length > 0 ? free : on;
  // What is past its leaflet's end comes off before all order.
  const due = on.find((coat) => overrunS(run, coat, nowMs) > 0) ?? off.slice(0, 1).find((coat) => dueMs(run, coat) <= nowMs);
  if (due) return { kind: "wipe", stepId: due.stepId, area: due.area };
  const soon = off[0] && dueMs(run, off[0]) - nowMs <= WAIT_S * 1000 ? off[0] : null;
  for (const area of order(run)) {
    if (coatsOn(run).some((coat) => coat.area === area)) continue;
    const step = nextStep(run, area);
    if (!step) continue;
    // The other side of the same step goes on at once; a later step waits for what is nearly due.
    const begun = run.coats.some((coat) => coat.stepId === step.id);
    if (!begun && (soon || on.some((coat) => partOf(coat.area) === partOf(area)))) continue;
    const objection = mayCoat(run, step.id, area, nowMs);
    if (!objection) return { kind: "coat", stepId: step.id, area };
    if (objection.rule === "taskOpen") return { kind: "task", stepId: openTasks(run, step.id)[0]!.id };
    if (objection.rule === "noBatch") return { kind: "batch", stepId: step.id };
    if (objection.rule === "noPaste" || objection.rule === "pasteStood") return { kind: "mix", stepId: step.id };
  }
  if (off[0]) return { kind: "wait", stepId: off[0].stepId, area: off[0].area, leftS: (dueMs(run, off[0]) - nowMs) / 1000 };
  const task = run.plan.protocol.steps.find((step) => step.kind !== "process" && !run.tasks.has(step.id));
  return task ? { kind: "task", stepId: task.id } : { kind: "done" };
}

/** What lies on in the order it comes off: as it is due, but of one step always the side first that went on first. */
export function offOrder(run: RunState): readonly Coat[] {
  const on = coatsOn(run);
  /** A side waits for those of its step that went on before it. */
  const turnMs = (coat: Coat) =>
    Math.max(...on.filter((other) => other.stepId === coat.stepId && other.onAtMs <= coat.onAtMs).map((other) => dueMs(run, other)));
  return [...on].sort((a, b) => turnMs(a) - turnMs(b) || a.onAtMs - b.onAtMs);
}

const dueMs = (run: RunState, coat: Coat) => coat.onAtMs + plannedS(run, coat) * 1000;

/** Something else must come off before this step does. */
function blockedOff(run: RunState, stepId: string): boolean {
  return (stepOf(run, stepId)?.offAfter ?? []).some((id) => run.coats.some((coat) => coat.stepId === id && isOn(coat)));
}

/** Areas in the order they are coated: as they were the first time, else as planned. */
export function order(run: RunState): readonly Area[] {
  const begun = [...new Set(run.coats.map(({ area }) => area))];
  const planned = AREAS.filter((area) => run.plan?.areas.includes(area));
  return [...begun, ...planned.filter((area) => !begun.includes(area))];
}

/** Every timed step is on and off wherever it was planned. */
export function isAllOff(run: RunState): boolean {
  return run.plan !== null && run.plan.areas.every((area) => nextStep(run, area) === null) && coatsOn(run).length === 0;
}

/** Everything is off and every untimed step is seen done; or it was stopped, wiped and rinsed. */
export function isRunDone(run: RunState): boolean {
  if (run.stop) return run.stop.endedAtMs !== null && coatsOn(run).length === 0;
  return isAllOff(run) && run.plan!.protocol.steps.every((step) => step.kind === "process" || run.tasks.has(step.id));
}
