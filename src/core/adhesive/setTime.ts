import type { Air } from "../air";
import { celsiusToKelvin } from "../units";

/** Air at which a leaflet's set time is taken to be measured. Common practice. */
export const SET_TIME_REFERENCE: Air = { temperatureC: 22, relativeHumidity: 0.5 };

/** Outside this the model says nothing. A model of this product. */
export const SET_TIME_GOOD_FOR = { temperatureC: [16, 30], relativeHumidity: [0.2, 0.75] } as const;

/** Prior means and standard deviations: humidity exponent, temperature constant in K, and the log of the scale. */
const PRIOR = { m: [1, 0.35], bK: [4000, 2500], logScaleSd: 0.3 } as const;

const inverseTemperature = (air: Air) => 1 / celsiusToKelvin(air.temperatureC) - 1 / celsiusToKelvin(SET_TIME_REFERENCE.temperatureC);

/**
 * Set time in this air over set time at 22 °C and 50 %: `(φ₀/φ)^m · exp(B(1/T − 1/T₀))` with the prior means.
 * A model of this product. `setTimeRatio({ temperatureC: 22, relativeHumidity: 0.25 })` → 2
 */
export function setTimeRatio(air: Air): number {
  return (SET_TIME_REFERENCE.relativeHumidity / air.relativeHumidity) ** PRIOR.m[0] * Math.exp(PRIOR.bK[0] * inverseTemperature(air));
}

/** Expected set time with the range that holds it four times in five, s; or why there is no figure. */
export type SetTime =
  | { readonly known: true; readonly setTimeS: number; readonly lowS: number; readonly highS: number; readonly ratio: number }
  | { readonly known: false; readonly why: string };

const EIGHTY_PER_CENT = 1.2816;

/** What a bottle of this stated set time will do in this air, before any set test has been logged. */
export function setTime(nominalS: number, air: Air): SetTime {
  const [coldest, warmest] = SET_TIME_GOOD_FOR.temperatureC;
  const [driest, dampest] = SET_TIME_GOOD_FOR.relativeHumidity;
  if (air.temperatureC < coldest || air.temperatureC > warmest || air.relativeHumidity < driest || air.relativeHumidity > dampest)
    return { known: false, why: "Outside what this is good for: 16 to 30 °C and 20 to 75 %." };
  const ratio = setTimeRatio(air);
  const spread = Math.hypot(
    PRIOR.logScaleSd,
    PRIOR.m[1] * Math.log(SET_TIME_REFERENCE.relativeHumidity / air.relativeHumidity),
    PRIOR.bK[1] * inverseTemperature(air),
  );
  const setTimeS = nominalS * ratio;
  const factor = Math.exp(EIGHTY_PER_CENT * spread);
  return { known: true, setTimeS, lowS: setTimeS / factor, highS: setTimeS * factor, ratio };
}
