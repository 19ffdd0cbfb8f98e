export { freeStretches, lanesFor, whatFits, type Stretch } from "./freeTime";
export { visitEventSchema, readVisitEvents, type EventsRead, type VisitEvent, type KeptEvent, VISIT_EVENT_TYPES } from "./events";
export { visitState, type VisitState, type Bead, type ZonePlaced, type Check, type SetTested } from "./state";
export { byUrgency, type Clock } from "./clock";
export { visitClocks, isDrying, BEAD_WARNING_S, CHECK_RED_AFTER_S } from "./clocks";
export { trueTime, clocksApartMs, CLOCKS_APART_MS, type TimeAnchor, type TrueTime } from "./trueTime";
export { pastService } from "./pastService";
export { placingsOf, lastBrushes, visitWaterFromMs } from "./placings";
