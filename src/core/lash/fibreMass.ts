import type { Fibre } from "./fibre";

/** PBT, g/cm³. Polymer handbooks; recalled from memory. */
export const PBT_DENSITY_G_CM3 = 1.31;

/** A flattened fibre has about half the area of a round one of its nominal width. From memory. */
export const FLAT_AREA_FACTOR = 0.5;

/** Share of the length that runs straight before the cone of the tip begins. A model of this product. */
export const DEFAULT_STRAIGHT_SHARE = 0.5;

/**
 * Mass of a tapered fibre over that of a cylinder: a straight share s, then a cone, `k = s + (1 − s)/3`.
 * Derived: a cone holds a third of its cylinder. `taperFactor(0.5)` → 2/3
 */
export function taperFactor(straightShare: number = DEFAULT_STRAIGHT_SHARE): number {
  return straightShare + (1 - straightShare) / 3;
}

/**
 * Mass of an extension in mg: `n · ρ · (π/4) d² · L · k`. (g/cm³ is mg/mm³, so millimetres give milligrams.)
 * `fibreMassMg({ lengthMm: 10, diameterMm: 0.15, shape: "round", count: 1 })` → 0.1543
 */
export function fibreMassMg(
  fibre: Pick<Fibre, "lengthMm" | "diameterMm" | "shape" | "count">,
  straightShare: number = DEFAULT_STRAIGHT_SHARE,
): number {
  const areaMm2 = (Math.PI / 4) * fibre.diameterMm ** 2 * (fibre.shape === "flat" ? FLAT_AREA_FACTOR : 1);
  return fibre.count * PBT_DENSITY_G_CM3 * areaMm2 * fibre.lengthMm * taperFactor(straightShare);
}
