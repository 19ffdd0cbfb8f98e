export { CONDITIONS, CONDITION_IDS, type Condition } from "./conditions";
export { consultationSchema, type Consultation } from "./consultation";
export { readiness, ageOn, extensionsTooSoon, type ReadinessFinding, type ClientStanding, type ReadinessRules } from "./readiness";
export { pastService, treatmentOf, type PastService } from "./pastService";
export { AFTERCARE, careCard, careText, type CareCard, type CareLine, type CaredFor } from "./aftercare";
export { consentText, NO_LASH_LIGHTENING } from "./consent";
