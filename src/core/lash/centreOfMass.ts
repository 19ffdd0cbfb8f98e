import { DEFAULT_STRAIGHT_SHARE, taperFactor } from "./fibreMass";

/**
 * Distance from the base of a fibre to its centre of mass, mm, for a straight share s then a cone:
 * `x = L · [s·s/2 + (1−s)/3·(s + (1−s)/4)] / k`. Derived from the centroids of a cylinder (½) and a cone (¼).
 * `centreOfMassMm(12)` → 4.125
 */
export function centreOfMassMm(lengthMm: number, straightShare: number = DEFAULT_STRAIGHT_SHARE): number {
  const s = straightShare;
  return (lengthMm * ((s * s) / 2 + ((1 - s) / 3) * (s + (1 - s) / 4))) / taperFactor(s);
}
