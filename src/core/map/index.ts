export {
  lashMapSchema,
  lashMapDocument,
  upgradeLashMap,
  type LashMap,
  type EyeMap,
  type Layer,
  type School,
  type FibreKind,
  type ZoneFibre,
  type Hybrid,
  type AccentPlacing,
  type AccentWish,
  type UnderWish,
  type MapLimits,
  type Bend,
  bendSchema,
  fibreKindSchema,
  schoolSchema,
} from "./schema";
export { LAYER_ROLES } from "./layerBounds";
export { LOOKS, LOOK_IDS, type LookId, type Look } from "./looks";
export { dropCurve, lookHandles } from "./looks/dropCurve";
export { SCHOOL_LABELS, SCHOOL_SAYS, zoneEdges } from "./schools";
export { traySchema, trayDocument, type Tray } from "./tray";
export { stockedLengths, stockedKinds, sameKind, kindLabel, fibreCurl, type TrayKind } from "./stock";
export { firstPlan, wishOf } from "./firstPlan";
export { fibreKind } from "./fibreKind";
export { practiceOnly, traysFor } from "./practice";
export { planMap, limitCosts, type MapPlan, type LimitCost } from "./planMap";
export type { MapWish } from "./planGround";
export { PLAN_LIMITS, type PlanLimit } from "./planZones";
export { type Breach } from "./planBreaches";
export { planLine, type LinePlan } from "./planLine";
export { reachable } from "./reachable";
export {
  MICRO,
  ROUGHNESS_WEIGHT,
  TEXTURE_WEIGHT,
  TEXTURE_MM,
  RANKS,
  LONG_END_MM,
  type LineLimits,
  type LineZone,
  type LineChoice,
  type GivenUp,
} from "./line";
export {
  zoneLimit,
  judgeLoad,
  type ZoneLimit,
  type Load,
  LOAD_DAY,
  FULL_GROWN_PERCENTILE,
  GROWING_ALLOWANCE,
  LIMIT_PERCENTILE,
  FLOOR_BELOW_MM,
  MATCH_WITHIN_MM,
} from "./zoneLimit";
export { accentLashes } from "./accentLashes";
export {
  LAYER_LABELS,
  ZONE_WORDS,
  baseLayer,
  baseIndex,
  fibreAt,
  kindOf,
  layersInOrder,
  lengthWords,
  mapInWords,
  zoneIndexAt,
} from "./layers";
export { layerLegend } from "./layerLegend";
export { inOtherFibres, type OtherFibres } from "./inOtherFibres";
export { samePlaced, swapEverywhere } from "./swapEverywhere";
export { zonePieces, changePiece, type Piece, type PieceRef } from "./pieces";
export { wornLashes, wornLashesDocument, wornTotals, type WornLashes } from "./wornLashes";
export { placements, BABY_WEARS, type Placement } from "./placements";
export { landmarksOf } from "./landmarksOf";
export { lashesByZone, zonesBackToFront, inkOf, type ZoneLashes } from "./lashesByZone";
export { mapPolicy } from "./mapPolicy";
export { technicianPace, type TimedSet } from "./technicianPace";
export { textureOf, textureWish, spike, usualAccents, usualUnder, usualHybrid, type Texture } from "./texture";
export { withClassLength } from "./lashClasses";
export { changeWish } from "./changeWish";
export { loadBands, zoneLoad, type LoadDay, type LoadQuantity } from "./loadAlong";
export { landmarkWithin } from "./landmarkWithin";
export { mapProfile, type MapProfile } from "./profile";
export { mapFacts, type MapContext, type MapFacts, type ZoneFacts, type PieceFacts } from "./facts";
export {
  setZone,
  setZoneLength,
  mirrorMap,
  nextStocked,
  nearestStocked,
  pulledTo,
  splitZone,
  mergeZones,
  moveEdge,
  onBothEyes,
  NARROWEST_ZONE,
} from "./edit";
export { mapFindings, RULES } from "./rules";
export { SEVERITIES, findingKey, type Finding, type Fix, type Rule, type Severity } from "./finding";
export { padStrip, padZones, padLashes, type PadStrip, type PadStripEye, type PadStripLayer, type PadLashes } from "./padStrip";
export {
  onPaper,
  EYE_VIEWS,
  EYE_VIEW_LABELS,
  wayUp,
  type EyeView,
  VIEWS,
  VIEW_LABELS,
  type View,
  eyesInView,
  innerCornerOnRight,
  turnHalfRound,
} from "./view";
export { mapTotals, pickList, heaviestOf, fibresPerStrip, type MapTotals, type Pick, type PlacingPace } from "./totals";
export { planWords, limitCostWords, LIMIT_WORDS } from "./planWords";
export { stretchWords, zonesWords, type Stretch } from "./stretchWords";
export { type Cut } from "./planCuts";
export { gatherFindings } from "./gatherFindings";
export { baseContactOf, type BaseContact } from "./baseContact";
export { fibreOnLash, type OnLash } from "./fibreOnLash";
export { curlsAtEqualLift, type EqualLift } from "./equalLift";
export { lookAlikes, wishLike, SAME_LIFT_MM, type LookAlike } from "./lookAlikes";
export { equivalents, type Equivalent } from "./equivalents";
export { ranOut, withoutEmpty, type RanOut, type Swap, type Empty } from "./ranOut";
export { seenLift, liftAtLandmarks } from "./seenLift";
export { darknessWords, lashArea, mapDarkness, LASH_BAND_MM, type Darkness } from "./darkness";
export { lookAdvice, type Advice } from "./lookAdvice";
export { ownLookSchema, ownLookDocument, type OwnLook } from "./ownLook";
export { mapTitle } from "./mapTitle";
export { compareMaps, type Difference } from "./compareMaps";
export { placeOf } from "./rules/helpers";
