/** When a step is asked for. */
export const STEP_WHEN = { always: "always", whenAsked: "when it is wanted", never: "never" } as const;
export type StepWhen = keyof typeof STEP_WHEN;
export const WHEN_IDS = Object.keys(STEP_WHEN) as [StepWhen, ...StepWhen[]];
