/** Two-sided 95 % points of Student's t for 1 to 9 degrees of freedom: Abramowitz & Stegun, Handbook of Mathematical Functions, table 26.10. */
const SMALL = [12.706, 4.303, 3.182, 2.776, 2.571, 2.447, 2.365, 2.306, 2.262] as const;

/** The 97.5 % point of Student's t; above 9 degrees of freedom by Abramowitz & Stegun 26.7.5, within 0.3 %. */
export function studentT975(df: number): number {
  const small = SMALL[df - 1];
  if (small !== undefined) return small;
  const z = 1.959964;
  return (
    z +
    (z ** 3 + z) / (4 * df) +
    (5 * z ** 5 + 16 * z ** 3 + 3 * z) / (96 * df ** 2) +
    (3 * z ** 7 + 19 * z ** 5 + 17 * z ** 3 - 15 * z) / (384 * df ** 3)
  );
}
