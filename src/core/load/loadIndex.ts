import { DIAMETER_CLASSES, type Fibre } from "../lash";
import { momentMgMm } from "./moment";

/** The ordinary classic lash that others are compared with: 0.15 × 12 mm, attached at 1 mm, on a medium lash. */
export const LOAD_REFERENCE = {
  fibre: { lengthMm: 12, diameterMm: 0.15, shape: "round", count: 1 },
  attachmentOffsetMm: 1,
  naturalDiameterMm: DIAMETER_CLASSES.medium.diameterMm,
} as const;

/** Between root hold (d¹⁻²), bending (d³) and droop (d⁴). A model of this product. */
const DIAMETER_EXPONENT = 2.5;

const referenceMoment = momentMgMm(LOAD_REFERENCE.fibre, LOAD_REFERENCE.attachmentOffsetMm);

/**
 * What a lash is asked to carry, as a multiple of the ordinary classic lash; a comparison, not a strength:
 * `(M / d_nat^2.5) / (M_ref / d_ref^2.5)`. `attachmentOffsetMm` includes what the lash has grown since.
 * `loadIndex({ lengthMm: 12, diameterMm: 0.15, shape: "round", count: 1 }, 0.065, 1)` → 1.96
 */
export function loadIndex(
  fibre: Pick<Fibre, "lengthMm" | "diameterMm" | "shape" | "count">,
  naturalDiameterMm: number,
  attachmentOffsetMm: number,
): number {
  const carried = momentMgMm(fibre, attachmentOffsetMm) / naturalDiameterMm ** DIAMETER_EXPONENT;
  const reference = referenceMoment / LOAD_REFERENCE.naturalDiameterMm ** DIAMETER_EXPONENT;
  return carried / reference;
}
