export { adhesiveSchema, type Adhesive } from "./schema";
export { setTime, setTimeRatio, SET_TIME_REFERENCE, SET_TIME_GOOD_FOR, type SetTime } from "./setTime";
export { windowVerdict, type WindowVerdict, type AirAdvice } from "./windowVerdict";
export { beadLifeS } from "./beadLife";
export { bottleAge, type BottleAge } from "./bottleAge";
export { fitsBest } from "./fitsBest";
