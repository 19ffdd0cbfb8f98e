export { shieldSchema, shieldDocument, type Shield } from "./shield";
export { rawTurnDeg, judgeTurn, FREE_ROOT_MM, LITTLE_SHOWS_DEG, FOLDS_BACK_DEG, type TurnVerdict } from "./turn";
export { lashProfile, type ProfilePoint } from "./profile";
export { learnKeptShare, keptTurnDeg, RESULT_CARD, KEPT_PRIOR, type KeptReading, type KeptShare } from "./keptShare";
export { measuredTurnDeg, type PicturePoint } from "./measureTurn";
export { liftZones, liftEyes } from "./liftZones";
export {
  chooseShield,
  fitShield,
  LIFT_WISHES,
  type LiftWish,
  type LiftZone,
  type LiftEye,
  type ZoneTurn,
  type ShieldFit,
  type ShieldChoice,
} from "./chooseShield";
export { nextLift, type LiftOutcome, type LiftProposal } from "./nextLift";
