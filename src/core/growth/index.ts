export { nextFillDays } from "./nextFillDays";
export { LASH_CYCLE, grownMm } from "./cycle";
export {
  naturalSurvival,
  naturalSurvivalRange,
  bondSurvival,
  ImpossibleCycle,
  USUAL_BOND_HAZARD,
  type Unsure,
  type ShareRange,
} from "./retention";
