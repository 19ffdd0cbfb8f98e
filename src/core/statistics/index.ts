export { independent, updated, sumOf, normalBelow, type Belief } from "./gaussian";
export { studentT975 } from "./studentT";
