import { AREAS, partOf, type Area } from "../eye/areas";
import type { ProcessStep } from "../protocol/protocol";
import { chain } from "./mayTap";
import { order } from "./nextTap";
import { plannedS, type Coat, type RunState } from "./runState";

/** A phase of a lane: done, lying on now, or still to come. Times in ms since 1970. */
export type Phase = {
  readonly stepId: string;
  readonly name: string;
  readonly state: "done" | "on" | "ahead";
  readonly fromMs: number;
  /** When it came off, or is to come off; never before now for what lies on. */
  readonly toMs: number;
  readonly plannedToMs: number;
  /** The leaflet's end. */
  readonly wallMs: number;
  readonly looks: readonly { readonly atMs: number; readonly depth: number }[];
};
export type Lane = { readonly area: Area; readonly phases: readonly Phase[] };
export type PastePhase = { readonly stepId: string; readonly fromMs: number; readonly toMs: number; readonly state: "mixed" | "ahead" };
export type Lanes = {
  readonly lanes: readonly Lane[];
  readonly pastes: readonly PastePhase[];
  readonly fromMs: number;
  readonly toMs: number;
  readonly staggerS: number;
};

/** Until measured: the second side is coated so long after the first; wiping takes so long; an untimed step in between, so long, s. Models of this product. */
const STAGGER_S = 60;
const WIPE_S = 45;
const TASK_S = 120;
const MIX_BEFORE_S = 60;

/** How much later the second side went on than the first, s: as it was at the last step that both have, else a usual figure. */
export function staggerS(run: RunState, part: "lashes" | "brows"): number {
  const steps = [...new Set(run.coats.map(({ stepId }) => stepId))].reverse();
  for (const stepId of steps) {
    const [first, second] = run.coats.filter((coat) => coat.stepId === stepId && partOf(coat.area) === part);
    if (first && second) return Math.abs(second.onAtMs - first.onAtMs) / 1000;
  }
  return STAGGER_S;
}

/**
 * A run drawn in time: a lane an area, what was, what is, and what is to come if it goes on as planned from now. Both sides
 * keep their stagger to the end.
 */
export function lanesOf(run: RunState, nowMs: number): Lanes {
  const areas = order(run);
  const laid = new Map<Area, Phase[]>(areas.map((area) => [area, []]));
  const offAt = new Map<string, number>();
  const key = (stepId: string, area: Area) => `${stepId} ${area}`;
  for (const coat of run.coats) {
    const step = chain(run, coat.area).find(({ id }) => id === coat.stepId);
    if (!step) continue;
    const phase = phaseOf(run, step, coat, nowMs);
    laid.get(coat.area)!.push(phase);
    offAt.set(key(step.id, coat.area), phase.toMs);
  }
  const steps = run.plan?.protocol.steps ?? [];
  const tasksBefore = (from: number, until: number) =>
    steps.slice(from + 1, until).filter((step) => step.kind !== "process" && !run.tasks.has(step.id)).length;
  // Nothing more is planned once it was stopped.
  for (const step of run.stop ? [] : steps) {
    if (step.kind !== "process") continue;
    const treated = areas.filter((area) => partOf(area) === step.on);
    let before: number | null = null;
    for (const area of treated) {
      const there = laid.get(area)!.find(({ stepId }) => stepId === step.id);
      if (there) {
        before = there.fromMs;
        continue;
      }
      const steps_ = chain(run, area);
      const at = steps_.findIndex(({ id }) => id === step.id);
      const last = at > 0 ? steps_[at - 1]! : null;
      const gap = (WIPE_S + TASK_S * tasksBefore(last ? steps.indexOf(last) : -1, steps.indexOf(step))) * 1000;
      const waits = step.waitsFor.flatMap((id) => areas.map((other) => offAt.get(key(id, other)) ?? 0));
      const fromMs = Math.max(
        nowMs,
        ...(last ? [(offAt.get(key(last.id, area)) ?? nowMs) + gap] : [run.coats.length === 0 ? nowMs : 0]),
        ...waits.map((ms) => (ms === 0 ? 0 : ms + gap)),
        ...(before === null ? [] : [before + staggerS(run, step.on) * 1000]),
      );
      before = fromMs;
      const planned = run.plan!.seconds[step.id]! * 1000;
      laid.get(area)!.push({
        stepId: step.id,
        name: step.name,
        state: "ahead",
        fromMs,
        toMs: fromMs + planned,
        plannedToMs: fromMs + planned,
        wallMs: fromMs + step.mostS * 1000,
        looks: [],
      });
      offAt.set(key(step.id, area), fromMs + planned);
    }
  }
  const lanes = AREAS.filter((area) => laid.has(area)).map((area) => ({ area, phases: laid.get(area)! }));
  const pastes = pastesOf(run, lanes, nowMs);
  const all = lanes.flatMap(({ phases }) => phases);
  const starts = [...all.map(({ fromMs }) => fromMs), ...pastes.map(({ fromMs }) => fromMs), nowMs];
  const ends = [
    ...all.map(({ toMs, wallMs, state }) => (state === "done" ? toMs : Math.max(toMs, wallMs))),
    ...pastes.map(({ toMs }) => toMs),
    nowMs,
  ];
  return { lanes, pastes, fromMs: Math.min(...starts), toMs: Math.max(...ends), staggerS: staggerS(run, "lashes") };
}

function phaseOf(run: RunState, step: ProcessStep, coat: Coat, nowMs: number): Phase {
  const plannedToMs = coat.onAtMs + plannedS(run, coat) * 1000;
  return {
    stepId: step.id,
    name: step.name,
    state: coat.offAtMs === null ? "on" : "done",
    fromMs: coat.onAtMs,
    toMs: coat.offAtMs ?? Math.max(plannedToMs, nowMs),
    plannedToMs,
    wallMs: coat.onAtMs + step.mostS * 1000,
    looks: coat.looks,
  };
}

/** Mixed when it was mixed; to be mixed just before its first coat, and not sooner. */
function pastesOf(run: RunState, lanes: readonly Lane[], nowMs: number): PastePhase[] {
  return (run.plan?.protocol.steps ?? []).flatMap((step): PastePhase[] => {
    if (step.kind !== "process" || !step.mix) return [];
    const mixed = run.pastes.filter(({ stepId }) => stepId === step.id);
    const done = mixed.map((paste): PastePhase => ({
      stepId: step.id,
      fromMs: paste.mixedAtMs,
      toMs: paste.mixedAtMs + paste.lifeS * 1000,
      state: "mixed",
    }));
    const first = Math.min(
      ...lanes.flatMap(({ phases }) =>
        phases.filter((phase) => phase.stepId === step.id && phase.state === "ahead").map(({ fromMs }) => fromMs),
      ),
    );
    const standing = done.some(({ toMs }) => toMs > nowMs);
    if (standing || !Number.isFinite(first)) return done;
    const fromMs = Math.max(nowMs, first - MIX_BEFORE_S * 1000);
    return [...done, { stepId: step.id, fromMs, toMs: fromMs + step.mix.pasteLifeS * 1000, state: "ahead" }];
  });
}
