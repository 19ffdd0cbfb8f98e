export { DIAMETER_CLASSES, type DiameterClass } from "./diameterClasses";
export { type Fibre, type FibreBody, fibreSchema } from "./fibre";
export { FIBRE_LENGTHS_MM, FIBRE_DIAMETERS_MM } from "./sizes";
export { FIBRE_COLOURS, FIBRE_COLOUR_IDS, type FibreColour } from "./colours";
export { FAN_OPENINGS, FAN_OPENING_IDS, type FanOpening, meanCount, mostCount, countLabel } from "./fans";
export { TECHNIQUES, TECHNIQUE_LABELS, techniqueOf, type Technique } from "./technique";
export { centreOfMassMm } from "./centreOfMass";
export { fibreMassMg, taperFactor, PBT_DENSITY_G_CM3, FLAT_AREA_FACTOR } from "./fibreMass";
export { equalCrossSectionCount, equalCount } from "./crossSection";
