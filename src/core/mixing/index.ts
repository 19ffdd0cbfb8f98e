export { PATCH_FAMILIES, type PatchFamily, PRODUCT_KINDS, type ProductKind, COLOURING } from "./productKinds";
export { productSchema, productDocument, type Product, MOST_PEROXIDE } from "./product";
export { exactly, within, isExact, type Range } from "./range";
export {
  DOSE_UNITS,
  DOSE_STEPS,
  type DoseUnit,
  type Dosing,
  DROPS_PER_ML,
  DROP_SPREAD,
  NOZZLE_MM,
  gramsOf,
  ribbonMl,
  dropsMl,
  dropsPerGram,
  nozzleFromRibbon,
} from "./dose";
export { volumeStrength, dilute, alligate, type Dilution, type Alligation } from "./dilution";
export { LASH_PEROXIDE_LIMIT, peroxideInMix, judgePeroxide, type Part, type PeroxideVerdict } from "./peroxide";
export { recipeSchema, type Recipe } from "./recipe";
export { roundDoses, ratioError, type Dose } from "./roundDoses";
export { needShare, type Need } from "./need";
export { mixFor, isMix, mixObjection, doseWords, type Mix, type MixLine, type MixProblem } from "./mixFor";
