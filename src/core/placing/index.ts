export {
  EMPTY_PLACING,
  endSpan,
  openSpan,
  tapesOn,
  spotKey,
  isSameSpot,
  type PlacingWork,
  type Spot,
  type TapeOn,
  type Targets,
} from "./work";
export { INSPECTIONS, INSPECTION_IDS, inspectionOf, looksAtEnd, isLooked, type Inspection, type InspectionId } from "./inspections";
export {
  REDO_REASONS,
  REDO_REASON_IDS,
  PAUSE_REASONS,
  PAUSE_REASON_IDS,
  TAPES,
  TAPE_IDS,
  PRIMERS,
  PRIMER_IDS,
  DIPS,
  DIP_IDS,
  ATTACHMENTS,
  ATTACHMENT_IDS,
  AIDS,
  AID_IDS,
  type RedoReason,
  type PauseReason,
  type TapeId,
  type PrimerId,
  type DipId,
  type AttachmentId,
  type AidId,
} from "./choices";
export { NOTHING_SAID, type WorkedWith } from "./workedWith";
export { placementPlan, isDirected, withTargets, everyOther, type PlacementPlan, type PlannedSpot } from "./placementPlan";
export { progressOf, withLash, waitS, lastWasEarlyS, isWet, leadOf, unevenBy, type Progress, type SpotProgress } from "./progress";
export { wetNeighbourS, lashesInTurn, WET_NEIGHBOUR } from "./wet";
export { nextLash, whatFollows, schoolsFor, stageOf, type Next, type OrderNow, type OrderSchools } from "./order";
export {
  lashGaps,
  paceOf,
  paceNow,
  firstAndLast,
  secondsLeft,
  usualPace,
  LEAST_GAPS,
  type LashGap,
  type Pace,
  type UsualPace,
} from "./pace";
export { setPace, learnedPace, BEGINNER_TIMES, HANDS, HAND_LEVELS, type HandLevel } from "./learnedPace";
export type { SetPace } from "./setPaceSchema";
export { usedPerEye, type UsedOnEye } from "./usedPerEye";
export { keptWhole } from "./keptWhole";
export { drawnTo } from "./tape";
export { shown, weightsOf, lookOf } from "./shows";
export { replan, placingTime, type Replan, type ToPlace, type KeptWhole } from "./replan";
