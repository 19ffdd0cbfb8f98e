export { VISIT_PARTS, partsOf, type VisitPart } from "./parts";
export type { Checklist, CheckStep } from "./schema";
export { STEP_WHEN, type StepWhen } from "./when";
export { recordedOf, type Recorded, type BesideEvents } from "./recorded";
export { shippedChecklist, type ChecklistSchools } from "./shipped";
export { threadOf, reachedBy, openSteps, type ThreadPart, type ThreadStep } from "./thread";
