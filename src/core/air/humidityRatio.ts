import { saturationPressurePa } from "./saturationPressure";
import type { Air } from "./schema";

/** Molar mass of water over that of dry air; ASHRAE Handbook Fundamentals ch. 1. */
const MOLAR_RATIO = 0.621945;

/**
 * Water to dry air by mass, kg/kg, at a pressure in Pa: `0.621945 p_w / (p − p_w)`.
 * `humidityRatio({ temperatureC: 22, relativeHumidity: 0.5 }, 101325)` → 0.00822
 */
export function humidityRatio({ temperatureC, relativeHumidity }: Air, pressurePa: number): number {
  const vapourPa = relativeHumidity * saturationPressurePa(temperatureC);
  return (MOLAR_RATIO * vapourPa) / (pressurePa - vapourPa);
}
