import type { Air } from "../air";
import type { StopKind } from "../care/aftercare";
import type { Area } from "../eye/areas";
import type { ProcessStep } from "../protocol/protocol";
import { isProcess } from "../protocol/steps";
import type { RunEvent, RunPayloads } from "./runEvents";
import type { RunPlan } from "./runPlan";
import type { RINSE_ENDED_EARLY, STOP_TAKEN_BACK } from "./stopReasons";

/** A product on an area, from first touch until it is wiped off. Times in ms since 1970. */
export type Coat = {
  readonly eventId: string;
  readonly stepId: string;
  readonly area: Area;
  readonly onAtMs: number;
  /** Null while it lies there. */
  readonly offAtMs: number | null;
  /** Extensions of the planned time, s. */
  readonly extraS: number;
  readonly looks: readonly { readonly atMs: number; readonly depth: number }[];
  /** The paste it was coated from; null where the product comes ready. */
  readonly pasteEventId: string | null;
};

export type Paste = RunPayloads["pasteMixed"] & { readonly eventId: string; readonly mixedAtMs: number };
export type Stop = {
  readonly kind: StopKind;
  readonly atMs: number;
  readonly rinseS: number;
  readonly endedAtMs: number | null;
  /** Why it was ended before its time; null where it was not, or nobody said. */
  readonly endedEarly: (typeof RINSE_ENDED_EARLY)[number] | null;
};

/** A run as its events tell it. */
export type RunState = {
  readonly plan: RunPlan | null;
  readonly plannedAtMs: number | null;
  readonly air: Air | null;
  readonly tasks: ReadonlyMap<string, number>;
  readonly batches: readonly (RunPayloads["batchTaken"] & { readonly atMs: number })[];
  readonly pastes: readonly Paste[];
  readonly coats: readonly Coat[];
  readonly stop: Stop | null;
  /** Stops that somebody took back in their name, with when and why. */
  readonly stopsTakenBack: readonly (Stop & { readonly takenBackAtMs: number; readonly why: (typeof STOP_TAKEN_BACK)[number] })[];
  readonly result: (RunPayloads["resultJudged"] & { readonly atMs: number }) | null;
};

export const EMPTY_RUN: RunState = {
  plan: null,
  plannedAtMs: null,
  air: null,
  tasks: new Map(),
  batches: [],
  pastes: [],
  coats: [],
  stop: null,
  stopsTakenBack: [],
  result: null,
};

/** Folds one event in; events come in the order they happened. What contradicts what is known already changes nothing. */
export function foldRun(run: RunState, event: RunEvent): RunState {
  switch (event.type) {
    case "runPlanned": {
      const planned = { ...run, plan: event.payload.plan, air: event.payload.air, plannedAtMs: event.atMs };
      // A tablet whose clock is behind may date its taps before the plan: they count all the same.
      if (run.plan === null) return planned;
      // Once something lay on the hair, the plan it was begun by stands; planned anew before that, all is to be done anew.
      return run.coats.length > 0 ? run : { ...planned, tasks: new Map(), batches: [], pastes: [] };
    }
    case "taskDone":
      return { ...run, tasks: new Map([...run.tasks, [event.payload.stepId, event.atMs]]) };
    case "batchTaken":
      return { ...run, batches: [...run.batches, { ...event.payload, atMs: event.atMs }] };
    case "pasteMixed":
      return { ...run, pastes: [...run.pastes, { ...event.payload, eventId: event.id, mixedAtMs: event.atMs }] };
    case "coated": {
      const { stepId, area } = event.payload;
      if (run.coats.some((coat) => coat.area === area && coat.offAtMs === null)) return run;
      const paste = stepOf(run, stepId)?.mix ? run.pastes.findLast((one) => one.stepId === stepId) : undefined;
      const coat = {
        eventId: event.id,
        stepId,
        area,
        onAtMs: event.atMs,
        offAtMs: null,
        extraS: 0,
        looks: [],
        pasteEventId: paste?.eventId ?? null,
      };
      return { ...run, coats: [...run.coats, coat] };
    }
    case "wiped":
      return onCoat(run, event.payload, (coat) => ({ ...coat, offAtMs: event.atMs }));
    case "extended":
      return onCoat(run, event.payload, (coat) => ({ ...coat, extraS: coat.extraS + event.payload.byS }));
    case "looked":
      return onCoat(run, event.payload, (coat) => ({ ...coat, looks: [...coat.looks, { atMs: event.atMs, depth: event.payload.depth }] }));
    case "runStopped":
      return {
        ...run,
        stop: {
          kind: event.payload.kind,
          atMs: run.stop?.atMs ?? event.atMs,
          rinseS: event.payload.rinseS,
          endedAtMs: null,
          endedEarly: null,
        },
      };
    case "rinseEnded":
      return run.stop ? { ...run, stop: { ...run.stop, endedAtMs: event.atMs, endedEarly: event.payload.why ?? null } } : run;
    case "stopTakenBack":
      return run.stop
        ? {
            ...run,
            stop: null,
            stopsTakenBack: [...run.stopsTakenBack, { ...run.stop, takenBackAtMs: event.atMs, why: event.payload.why }],
          }
        : run;
    case "resultJudged":
      return { ...run, result: { ...event.payload, atMs: event.atMs } };
  }
}

function onCoat(run: RunState, { stepId, area }: { stepId: string; area: Area }, change: (coat: Coat) => Coat): RunState {
  return {
    ...run,
    coats: run.coats.map((coat) => (coat.stepId === stepId && coat.area === area && coat.offAtMs === null ? change(coat) : coat)),
  };
}

export function stepOf(run: RunState, stepId: string): ProcessStep | null {
  const step = run.plan?.protocol.steps.find(({ id }) => id === stepId);
  return step && isProcess(step) ? step : null;
}

/** Seconds a coat is planned for, extensions included, never past the leaflet's end. */
export function plannedS(run: RunState, { stepId, extraS }: Pick<Coat, "stepId" | "extraS">): number {
  const step = stepOf(run, stepId);
  return Math.min((run.plan?.seconds[stepId] ?? 0) + extraS, step?.mostS ?? 0);
}

export const isOn = ({ offAtMs }: Coat): boolean => offAtMs === null;
export const coatsOn = ({ coats }: RunState): readonly Coat[] => coats.filter(isOn);
/** How long it lay, or has lain so far, s. */
export const lainS = (coat: Coat, nowMs: number): number => ((coat.offAtMs ?? nowMs) - coat.onAtMs) / 1000;
/** Seconds past the leaflet's end. */
export const overrunS = (run: RunState, coat: Coat, nowMs: number): number =>
  Math.max(0, lainS(coat, nowMs) - (stepOf(run, coat.stepId)?.mostS ?? 0));
/** Whether a step's coat was put on an area and came off again. */
export const isDone = ({ coats }: RunState, stepId: string, area: Area): boolean =>
  coats.some((coat) => coat.stepId === stepId && coat.area === area && coat.offAtMs !== null);
/** Rinsing goes on. */
export const isRinsing = ({ stop }: RunState): boolean => stop !== null && stop.endedAtMs === null;
