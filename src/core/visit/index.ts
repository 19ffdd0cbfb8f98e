export { freeStretches, lanesFor, whatFits, type Stretch } from "./freeTime";
export { EVENT_KINDS, kindOf, type EventType, type EventPayload } from "./events";
export {
  newEvent,
  readEvent,
  readKeptEvents,
  readTaps,
  MOST_EVENTS,
  type VisitEvent,
  type KeptEvent,
  type Tap,
  type TapsRead,
} from "./event";
export { VisitFold, visitState } from "./fold";
export { EMPTY_VISIT, type VisitState } from "./parts";
export type { VisitHead } from "./parts/head";
export type { SetWork, Bead, ZonePlaced, Check, SetTested } from "./parts/set";
export { visitClocks, haveSameClocks, isDrying, BEAD_WARNING_S, CHECK_RED_AFTER_S } from "./clocks";
export { trueTime, clocksApartMs, CLOCKS_APART_MS, type TimeAnchor, type TrueTime } from "./trueTime";
export { pastService } from "./pastService";
export { placingsOf, lastBrushes, visitWaterFromMs } from "./placings";
export { outcomeOf, type VisitOutcome } from "./outcome";
export { readState, writeState, STATE_VERSION, type StateDocument } from "./stateDocument";
