export {
  EMPTY_PLACING,
  REDO_REASONS,
  REDO_REASON_IDS,
  PAUSE_REASONS,
  PAUSE_REASON_IDS,
  TAPES,
  TAPE_IDS,
  endSpan,
  openSpan,
  tapesOn,
  spotKey,
  isSameSpot,
  type PlacingWork,
  type Spot,
  type RedoReason,
  type PauseReason,
  type TapeId,
  type TapeOn,
} from "./work";
export { placementPlan, everyOther, type PlacementPlan, type PlannedSpot } from "./placementPlan";
export { progressOf, waitS, isWet, leadOf, unevenBy, type Progress, type SpotProgress } from "./progress";
export { wetNeighbourS, lashesInTurn, WET_NEIGHBOUR } from "./wet";
export { nextLash, stageOf, type Next, type OrderNow, type OrderSchools } from "./order";
