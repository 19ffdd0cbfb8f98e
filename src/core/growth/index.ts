export { LATEST_DAYS, nextFillDays, UNKNOWN_DAYS } from "./nextFillDays";
export { LASH_CYCLE, grownMm } from "./cycle";
export {
  cycleOf,
  naturalSurvival,
  naturalSurvivalRange,
  bondSurvival,
  ImpossibleCycle,
  USUAL_BOND_HAZARD,
  type Unsure,
  type ShareRange,
} from "./retention";
export { drawLives, isOn, movedOutMm, USUAL_FIGURES, type CycleFigures, type LashLife, type WornLash } from "./lashLives";
export { movedOutShare, outgrownShare, OUTGROWN_MM } from "./movedOut";
export { drawManySets, setOnDay, type DayBand, type SetLash, type SetOnDay } from "./setOverDays";
export { comeBackDay, shareOn, type ComeBack, type ComeBackReason, type Hazard } from "./comeBack";
