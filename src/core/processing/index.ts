export { runPlanSchema, depthSchema, type RunPlan } from "./runPlan";
export { mixedPasteSchema, type MixedPaste } from "./paste";
export { runResultSchema, type RunResult } from "./runResult";
export { RINSE_ENDED_EARLY, STOP_TAKEN_BACK } from "./stopReasons";
export {
  EMPTY_RUN,
  onCoat,
  stepOf,
  plannedS,
  coatsOn,
  isOn,
  isDone,
  isRinsing,
  lainS,
  overrunS,
  type RunState,
  type BatchTaken,
  type Coat,
  type Paste,
  type Stop,
} from "./runState";
export { mayCoat, mayWipe, mayExtendS, longer, chain, nextStep, openTasks, pasteFor, plannedAreas, type Objection } from "./mayTap";
export { nextTap, offOrder, isAllOff, isRunDone, order, type NextTap } from "./nextTap";
export { runClocks, lookDueMs, areaShort, COAT_WARNING_S } from "./runClocks";
export { lanesOf, staggerS, type Lanes, type Lane, type Phase, type PastePhase } from "./lanes";
export { runMistakes, FORGOTTEN_AFTER_S, type RunMistake } from "./mistakes";
export { STOP_WORDS } from "./stopWords";
export { coursesOf, keptReadingsOf, lastLiftOf, judgeable, batchesOf, type PastRun } from "./history";
export { planMixes, type PlannedMix } from "./planMixes";
export { firstDraft, keyOf, planFrom, timesOf, type ChosenPlan, type PlanDraft } from "./planDraft";
export { workOutPlan, type PlanGround, type WorkedOutPlan } from "./workOutPlan";
export { startingRecipe, usualRecipe, type ProductInUse, type StartingRecipe } from "./startingRecipe";
export { proposePlan, type StepProposal, type Wish } from "./proposePlan";
