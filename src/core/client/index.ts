export { figuresOf, fold, isEmail, phoneEnd, searchWords } from "./fold";
export { DOUBLE_REASONS, KnownPeople, likelyDouble, type DoubleReason, type WhoIs } from "./likelyDouble";
export { returnStanding, type LastHad, type ReturnStanding } from "./return";
