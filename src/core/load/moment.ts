import { centreOfMassMm, fibreMassMg, type Fibre } from "../lash";

/** Adhesive on one extension, mg. A model of this product. */
export const GLUE_MASS_MG = { single: 0.03, fan: 0.05 } as const;
/** Where the adhesive sits beyond the attachment, mm. A model of this product. */
const GLUE_AT_MM = 1;

/**
 * Moment of an extension at the follicle, mg·mm (times g), worst case level:
 * `M = m(a + x) + m_glue(a + 1)`, a the attachment offset from the lid in mm.
 * `momentMgMm({ lengthMm: 12, diameterMm: 0.15, shape: "round", count: 1 }, 1)` → 1.0091
 */
export function momentMgMm(fibre: Pick<Fibre, "lengthMm" | "diameterMm" | "shape" | "count">, attachmentOffsetMm: number): number {
  const glueMg = fibre.count > 1 ? GLUE_MASS_MG.fan : GLUE_MASS_MG.single;
  return fibreMassMg(fibre) * (attachmentOffsetMm + centreOfMassMm(fibre.lengthMm)) + glueMg * (attachmentOffsetMm + GLUE_AT_MM);
}
