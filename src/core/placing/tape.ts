/** The stretch reaches this far along the lash line, as a share of it. A model of this product. */
const REACHES = 0.5;

/**
 * Where a place of the lash line lies while tape draws the inner corner sideways by so many millimetres: the corner moves by
 * all of it, the middle by none. 0 inner .. 1 outer; below 0 past the corner. `drawnTo(0, 28, 2)` → −0.0714
 */
export const drawnTo = (at: number, lashLineMm: number, byMm: number): number => at - (byMm / lashLineMm) * Math.max(0, 1 - at / REACHES);
