export { momentMgMm, GLUE_MASS_MG } from "./moment";
export { loadIndex, LOAD_REFERENCE } from "./loadIndex";
