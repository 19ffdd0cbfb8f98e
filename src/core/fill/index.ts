export {
  takeOff,
  LEAVES_TO_BUILD_ON,
  type LeftInZone,
  type TakeOff,
  type TakeOffReason,
  type ZoneTakeOff,
  type TakeOffSchool,
} from "./takeOff";
export { stopsAtMm } from "./stopsAt";
export { gapPlan, type GapPlan, type Kept } from "./gapPlan";
