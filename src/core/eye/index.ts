export {
  surveySchema,
  surveyDocument,
  upgradeSurvey,
  eyeSurveySchema,
  landmarksSchema,
  type Survey,
  type EyeSurvey,
  type SurveyPoint,
  type Landmarks,
} from "./survey";
export { WIDEST_CORNER } from "./corner";
export { SIDES, type Side, otherSide, sideLabel } from "./sides";
export {
  SHAPES,
  SPACINGS,
  MOST_SEED,
  MOST_PLACES,
  MOST_SPLAY_DEG,
  SPLAYS_DEG,
  type EyeShape,
  type EyeSpacing,
  DENSITIES,
  OWN_CURLS,
  TWISTS,
  SLEEPS_ON,
  SINGLE_ROW_UP_TO,
  ROWS,
  type Density,
  type OwnCurl,
  type Twist,
  type SleepsOn,
} from "./classes";
export { naturalLashAt, type NaturalLash } from "./naturalLash";
export { naturalZone, type NaturalZone } from "./naturalZone";
export { firstSurvey, notOfThese } from "./mannequin";
export { usualSurvey, quickPositions, QUICK_SPREAD_MM } from "./usualSurvey";
export { isMeasured } from "./isMeasured";
export { lashCount } from "./lashCount";
export { interpolateMonotone } from "./interpolate";
export { fieldOf, lashField, type FieldLash } from "./lashField";
export { azimuthAt, USUAL_SPLAY_DEG } from "./azimuth";
export { IRIS_COLOURS, HAIR_COLOURS, SKIN_TONES, type IrisColour, type HairColour, type SkinTone } from "./colours";
export { compareSurveys, eyesApart, shorterEye, type SurveyDifference } from "./compareSurveys";
export { AREAS, AREA_LABELS, AREAS_OF, partOf, sideOf, type Area, type HairPart } from "./areas";
export { hairClass } from "./hairClass";
