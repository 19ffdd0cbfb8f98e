/**
 * How many fibres of one diameter weigh as one of another at the same length: `n₂ = d₁²/d₂²`.
 * `equalCrossSectionCount(0.15, 0.05)` → 9
 */
export function equalCrossSectionCount(fromDiameterMm: number, toDiameterMm: number): number {
  return (fromDiameterMm / toDiameterMm) ** 2;
}
