export { LASH_CYCLE, grownMm } from "./cycle";
export { naturalSurvival, bondSurvival, USUAL_BOND_HAZARD } from "./retention";
