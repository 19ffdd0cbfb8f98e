import { FLAT_AREA_FACTOR } from "./fibreMass";

type Section = { readonly diameterMm: number; readonly shape: "round" | "flat" };

/**
 * How many fibres of one diameter weigh as one of another at the same length: `n₂ = d₁²/d₂²`.
 * `equalCrossSectionCount(0.15, 0.05)` → 9
 */
export function equalCrossSectionCount(fromDiameterMm: number, toDiameterMm: number): number {
  return (fromDiameterMm / toDiameterMm) ** 2;
}

/**
 * The same for singles and fans of any shape: how many of `to` carry the cross-section of `count` of `from`.
 * `equalCount({ diameterMm: 0.15, shape: "round", count: 1 }, { diameterMm: 0.07, shape: "round" })` → 4.59
 */
export function equalCount(from: Section & { readonly count: number }, to: Section): number {
  const area = ({ diameterMm, shape }: Section) => diameterMm ** 2 * (shape === "flat" ? FLAT_AREA_FACTOR : 1);
  return (from.count * area(from)) / area(to);
}
