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
  type Targets,
} from "./work";
export { INSPECTIONS, INSPECTION_IDS, inspectionOf, type Inspection, type InspectionId } from "./inspections";
export {
  PRIMERS,
  PRIMER_IDS,
  DIPS,
  DIP_IDS,
  ATTACHMENTS,
  ATTACHMENT_IDS,
  AIDS,
  AID_IDS,
  NOTHING_SAID,
  type PrimerId,
  type DipId,
  type AttachmentId,
  type AidId,
  type WorkedWith,
} from "./workedWith";
export { placementPlan, isDirected, withTargets, everyOther, type PlacementPlan, type PlannedSpot } from "./placementPlan";
export { progressOf, withLash, waitS, lastWasEarlyS, isWet, leadOf, unevenBy, type Progress, type SpotProgress } from "./progress";
export { wetNeighbourS, lashesInTurn, WET_NEIGHBOUR } from "./wet";
export { nextLash, whatFollows, schoolsFor, stageOf, type Next, type OrderNow, type OrderSchools } from "./order";
export { lashGaps, paceOf, paceNow, firstAndLast, secondsLeft, LEAST_GAPS, type LashGap, type Pace } from "./pace";
export { setPace, learnedPace, setPaceDocument, BEGINNER_TIMES, HANDS, HAND_LEVELS, type SetPace, type HandLevel } from "./learnedPace";
export { usedPerEye, type UsedOnEye } from "./usedPerEye";
export { keptWhole } from "./keptWhole";
export { drawnTo } from "./tape";
export { shown, weightsOf, lookOf } from "./shows";
export { replan, placingTime, type Replan, type ToPlace, type KeptWhole } from "./replan";
