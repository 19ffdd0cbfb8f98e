export { figuresOf, fold, isEmail, phoneEnd, searchWords } from "./fold";
export { DOUBLE_REASONS, KnownPeople, likelyDouble, type DoubleReason, type WhoIs } from "./likelyDouble";
export { returnStanding, type ReturnFacts, type ReturnStanding } from "./return";
