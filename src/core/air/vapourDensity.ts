import { celsiusToKelvin } from "../units";
import { saturationPressurePa } from "./saturationPressure";
import type { Air } from "./schema";

/** J/(kg K). */
export const WATER_VAPOUR_GAS_CONSTANT = 461.52;

/**
 * Water in a cubic metre of air, g/m³: `ρv = RH·p_sat(T) / (R_v T)`.
 * `vapourDensityGm3({ temperatureC: 22, relativeHumidity: 0.5 })` → 9.71
 */
export function vapourDensityGm3({ temperatureC, relativeHumidity }: Air): number {
  return (1000 * relativeHumidity * saturationPressurePa(temperatureC)) / (WATER_VAPOUR_GAS_CONSTANT * celsiusToKelvin(temperatureC));
}
