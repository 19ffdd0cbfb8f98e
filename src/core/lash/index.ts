export { DIAMETER_CLASSES, type DiameterClass } from "./diameterClasses";
export { type Fibre, fibreSchema } from "./fibre";
export { FIBRE_LENGTHS_MM, FIBRE_DIAMETERS_MM } from "./sizes";
export { centreOfMassMm } from "./centreOfMass";
export { fibreMassMg, taperFactor, PBT_DENSITY_G_CM3 } from "./fibreMass";
export { equalCrossSectionCount } from "./crossSection";
