/** A step of the checklist that was said to be done. Times in ms since 1970. */
export type StepDone = { readonly stepId: string; readonly eventId: string; readonly atMs: number };

/** Implements in the disinfectant; `endedAtMs` is null while they lie in it. */
export type Soak = {
  readonly eventId: string;
  readonly startedAtMs: number;
  readonly contactS: number;
  readonly batchId: string | null;
  readonly endedAtMs: number | null;
};

/** What was ticked of the visit's checklist, and what lies in the disinfectant after it. */
export type StepsTaken = { readonly done: readonly StepDone[]; readonly soak: Soak | null };
export const NO_STEPS: StepsTaken = { done: [], soak: null };
