/** Air pressure at sea level in the standard atmosphere, Pa. */
export const SEA_LEVEL_PA = 101_325;

/**
 * Air pressure at an altitude, Pa: the standard atmosphere, ASHRAE Handbook Fundamentals ch. 1, eq. 3; good from below
 * the sea to 5,000 m and beyond. `pressureAtAltitudePa(1500)` → 84,556
 */
export function pressureAtAltitudePa(altitudeM: number): number {
  return SEA_LEVEL_PA * (1 - 2.25577e-5 * altitudeM) ** 5.2559;
}
