export { CONDITIONS, CONDITION_IDS, conditionOf, type Condition, type ConditionGroup } from "./conditions";
export { ALLERGIES, ALLERGY_IDS, allergyOf, type Allergy } from "./allergies";
export { consultationSchema, type Consultation } from "./consultation";
export { upgradeConsultation, consultationDocument } from "./upgradeConsultation";
export { consentText, consentStanding, type Consent } from "./consent";
export {
  patchTestStanding,
  mayRead,
  mayLift,
  addMonths,
  PATCH_RESULTS,
  READ_AFTER_H,
  NEVER_CLEAR_BEFORE_H,
  type PatchTest,
  type PatchReading,
  type PatchResult,
  type PatchTestStanding,
  type ReactionLifting,
} from "./patchTest";
export { SPACING, SPACING_IDS, WORN_DAYS, spacingOf, wornAt, type Spacing, type SpacingId } from "./spacing";
export type { PastService } from "./pastService";
export { withProducts } from "./productFindings";
export { productAge, type ProductAge, type UsedProduct } from "./productLife";
export { careFindings, stopsOf, asksOf, beforeTheVisit, isCovered, LEAST_REASON } from "./careFindings";
export { type CareFacts, type CareFinding, type CareRules } from "./facts";
export { familyLabel } from "./families";
export { ageOn } from "./rules/age";
export { spanWords } from "./spanWords";
export { careCard, careText, type CareCard, type CaredFor, type StopKind } from "./aftercare";
export { NOTHING_SO } from "./nothingSo";
export { openQuestions, type QuestionGroup } from "./openQuestions";
