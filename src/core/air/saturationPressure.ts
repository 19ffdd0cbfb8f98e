import { celsiusToKelvin } from "../units";

/**
 * Saturation pressure of water vapour, Pa: over ice below the triple point, over water above.
 * Hyland and Wexler, ASHRAE Trans. 89(2A) (1983) 500-519, as given in ASHRAE Handbook Fundamentals ch. 1, eq. 5 and 6;
 * good for −100 to 200 °C. `saturationPressurePa(20)` → 2338.8
 */
export function saturationPressurePa(temperatureC: number): number {
  const t = celsiusToKelvin(temperatureC);
  const overIce = temperatureC <= 0.01;
  const ln = overIce
    ? -5.6745359e3 / t +
      6.3925247 +
      t * (-9.677843e-3 + t * (6.2215701e-7 + t * (2.0747825e-9 + t * -9.484024e-13))) +
      4.1635019 * Math.log(t)
    : -5.8002206e3 / t + 1.3914993 + t * (-4.8640239e-2 + t * (4.1764768e-5 + t * -1.4452093e-8)) + 6.5459673 * Math.log(t);
  return Math.exp(ln);
}
