export { adhesiveSchema, adhesiveDocument, type Adhesive } from "./schema";
export { setTimeRatio, isGoodFor, SET_TIME_REFERENCE, SET_TIME_GOOD_FOR, USUAL_LAW, type CureLaw } from "./setTime";
export {
  setTime,
  learnSetTime,
  expectedSetTime,
  testDeviation,
  bottleDrift,
  lawOf,
  TEST_NOISE,
  QUESTIONED_FROM,
  type SetTest,
  type SetTime,
  type SetTimeModel,
  type BottleDrift,
} from "./setTimeModel";
export { independent, updated, sumOf, normalBelow, type Belief } from "../statistics/gaussian";
export { handTime, handMatch, handWords, type HandTime, type HandMatch } from "./handMatch";
export { windowVerdict, type WindowVerdict, type AirAdvice } from "./windowVerdict";
export { beadLifeS, beadsFor } from "./beadLife";
export { shakeSecondsFor } from "./shakeS";
export { bottleAge, type BottleAge } from "./bottleAge";
export { bottleFitness, type BottleFitness } from "./bottleFitness";
export { waitInAirS } from "./waitInAir";
export { cureDose, doseCurve, type AirAt, type CureDose, type DoseCurve } from "./cureDose";
export {
  cureLedger,
  eyesWaitS,
  isolation,
  waterFromMs,
  EYES_SHUT_AT_LEAST_S,
  EYES_MEND_AFTER_S,
  ISOLATION_S,
  type CureLedger,
  type EyesOpen,
  type Finished,
  type Isolation,
  type LedgerSettings,
  type PlacedLashes,
} from "./cureLedger";
export { FINISH_IDS, FINISH_LABELS, type FinishId, type FinishFigure, type FinishFigures } from "./finishes";
export { baseRate, brushVerdict, chanceOfAtLeast, type Brush, type BrushRate, type BrushVerdict } from "./brushOut";
export { willNotGrab, type GrabFacts, type GrabCheck } from "./willNotGrab";
export { startRoom, windowTarget, type DayVisit, type RoomStart } from "./startRoom";
