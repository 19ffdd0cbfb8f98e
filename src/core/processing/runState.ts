import type { Air } from "../air";
import type { StopKind } from "../care/aftercare";
import type { Area } from "../eye/areas";
import type { ProcessStep } from "../protocol/protocol";
import { isProcess } from "../protocol/steps";
import type { MixedPaste } from "./paste";
import type { RunPlan } from "./runPlan";
import type { RunResult } from "./runResult";
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

/** The batch that a step's ready product comes from. */
export type BatchTaken = { readonly stepId: string; readonly productId: string; readonly batchId: string; readonly atMs: number };
export type Paste = MixedPaste & { readonly eventId: string; readonly mixedAtMs: number };
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
  readonly batches: readonly BatchTaken[];
  readonly pastes: readonly Paste[];
  readonly coats: readonly Coat[];
  readonly stop: Stop | null;
  /** Stops that somebody took back in their name, with when and why. */
  readonly stopsTakenBack: readonly (Stop & { readonly takenBackAtMs: number; readonly why: (typeof STOP_TAKEN_BACK)[number] })[];
  readonly result: (RunResult & { readonly atMs: number }) | null;
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

/** Changes the coat of a step that lies on an area now; nothing where none does. */
export function onCoat(run: RunState, { stepId, area }: { stepId: string; area: Area }, change: (coat: Coat) => Coat): RunState {
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
