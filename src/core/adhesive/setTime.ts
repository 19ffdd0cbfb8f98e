import type { Air } from "../air";
import { celsiusToKelvin, clamp } from "../units";

/** Air at which a leaflet's set time is taken to be measured. Common practice. */
export const SET_TIME_REFERENCE: Air = { temperatureC: 22, relativeHumidity: 0.5 };

/** Outside this the model says nothing. A model of this product. */
export const SET_TIME_GOOD_FOR = { temperatureC: [16, 30], relativeHumidity: [0.2, 0.75] } as const;

/** How set time follows humidity (exponent) and warmth (K). */
export type CureLaw = { readonly m: number; readonly bK: number };

/** Before any set test: prior means. A model of this product. */
export const USUAL_LAW: CureLaw = { m: 1, bK: 4000 };

/** `1/T − 1/T₀`, per K. */
export const inverseTemperature = (air: Air) =>
  1 / celsiusToKelvin(air.temperatureC) - 1 / celsiusToKelvin(SET_TIME_REFERENCE.temperatureC);
/** `ln(φ₀/φ)`. */
export const logDryness = (air: Air) => Math.log(SET_TIME_REFERENCE.relativeHumidity / air.relativeHumidity);

/**
 * Set time in this air over set time at 22 °C and 50 %: `(φ₀/φ)^m · exp(B(1/T − 1/T₀))`.
 * A model of this product. `setTimeRatio({ temperatureC: 22, relativeHumidity: 0.25 })` → 2
 */
export function setTimeRatio(air: Air, { m, bK }: CureLaw = USUAL_LAW): number {
  return Math.exp(m * logDryness(air) + bK * inverseTemperature(air));
}

/** Is this air inside what the model is good for? */
export function isGoodFor(air: Air): boolean {
  const heldAir = heldToGood(air);
  return heldAir.temperatureC === air.temperatureC && heldAir.relativeHumidity === air.relativeHumidity;
}

/** The nearest air that the model is good for. */
export function heldToGood(air: Air): Air {
  const [coldest, warmest] = SET_TIME_GOOD_FOR.temperatureC;
  const [driest, dampest] = SET_TIME_GOOD_FOR.relativeHumidity;
  return {
    temperatureC: clamp(air.temperatureC, coldest, warmest),
    relativeHumidity: clamp(air.relativeHumidity, driest, dampest),
  };
}
