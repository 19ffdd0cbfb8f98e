import { celsiusToKelvin } from "../units";
import { humidityRatio } from "./humidityRatio";
import type { Air } from "./schema";

/** J/(kg K), dry air. */
const DRY_AIR_GAS_CONSTANT = 287.042;

/**
 * Mass of moist air, kg/m³, at a pressure in Pa; ASHRAE Handbook Fundamentals ch. 1, eq. 26 and 27.
 * `airDensityKgM3({ temperatureC: 22, relativeHumidity: 0.5 }, 101325)` → 1.19
 */
export function airDensityKgM3(air: Air, pressurePa: number): number {
  const w = humidityRatio(air, pressurePa);
  return ((1 + w) * pressurePa) / (DRY_AIR_GAS_CONSTANT * celsiusToKelvin(air.temperatureC) * (1 + 1.607858 * w));
}
