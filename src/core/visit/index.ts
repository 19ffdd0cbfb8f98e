export { visitEventSchema, visitEventBatchSchema, type VisitEvent, type KeptEvent, VISIT_EVENT_TYPES } from "./events";
export { visitState, type VisitState, type Bead, type ZonePlaced, type Check, type SetTested } from "./state";
export { byUrgency, type Clock } from "./clock";
export { visitClocks, isDrying, BEAD_WARNING_S, CHECK_RED_AFTER_S } from "./clocks";
export { trueTime, clocksApartMs, CLOCKS_APART_MS, type TimeAnchor, type TrueTime } from "./trueTime";
export { patchTestStanding, gravest, type PatchTest, type PatchTestStanding } from "./patchTest";
export { placingsOf, lastBrushes, visitWaterFromMs } from "./placings";
