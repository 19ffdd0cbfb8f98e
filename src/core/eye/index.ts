export {
  surveySchema,
  eyeSurveySchema,
  landmarksSchema,
  type Survey,
  type EyeSurvey,
  type SurveyPoint,
  type Landmarks,
  SHAPES,
  SPACINGS,
  type EyeShape,
  type EyeSpacing,
} from "./survey";
export { SIDES, type Side, otherSide, sideLabel } from "./sides";
export { DENSITIES, OWN_CURLS, type Density, type OwnCurl } from "./classes";
export { naturalLashAt, type NaturalLash } from "./naturalLash";
export { naturalZone, type NaturalZone } from "./naturalZone";
export { usualSurvey, quickPositions } from "./usualSurvey";
export { lidOutline, type LidOutline } from "./lidOutline";
export { lashCount } from "./lashCount";
export { interpolateMonotone } from "./interpolate";
export { drawnLashes, type DrawnLash } from "./drawnLashes";
