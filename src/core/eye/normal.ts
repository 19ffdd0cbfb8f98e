/**
 * Cumulative normal distribution. Abramowitz and Stegun, Handbook of Mathematical Functions (1964), 7.1.26,
 * absolute error under 1.5e-7. `normalCdf(0)` → 0.5
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const erf = 1 - t * Math.exp(-x * x) * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  return z >= 0 ? (1 + erf) / 2 : (1 - erf) / 2;
}
