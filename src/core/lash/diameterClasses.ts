/**
 * Working diameters of a natural lash by class, mm.
 * From memory, to be confirmed; a studio that measures may enter its own.
 */
export const DIAMETER_CLASSES = {
  baby: { label: "baby", diameterMm: 0.05 },
  fine: { label: "fine", diameterMm: 0.065 },
  medium: { label: "medium", diameterMm: 0.085 },
  coarse: { label: "coarse", diameterMm: 0.105 },
} as const;

export type DiameterClass = keyof typeof DIAMETER_CLASSES;
