/** So much of the lash line is a corner at either end, as a share of it. A share of this product's. */
const CORNER = 0.08;

/** By natural class: one stretch in which each lash's own length decides, between two corners. */
export function byClassEdges(): number[] {
  return [0, CORNER, 1 - CORNER, 1];
}
