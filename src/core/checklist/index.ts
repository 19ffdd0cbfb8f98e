export { VISIT_PARTS, partsOf, type VisitPart } from "./parts";
export { checklistSchema, checklistDocument, STEP_WHEN, type Checklist, type CheckStep, type StepWhen } from "./checklist";
export { recordedOf, type Recorded, type BesideEvents } from "./recorded";
export { shippedChecklist, type ChecklistSchools } from "./shipped";
export { threadOf, reachedBy, openSteps, type ThreadPart, type ThreadStep } from "./thread";
