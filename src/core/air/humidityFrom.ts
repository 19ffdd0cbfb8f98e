import { vapourDensityGm3 } from "./vapourDensity";

/** Relative humidity of air that holds so much water at this temperature; past 1 it would drip. `humidityFrom(9.71, 22)` → 0.5 */
export function humidityFrom(densityGm3: number, temperatureC: number): number {
  return densityGm3 / vapourDensityGm3({ temperatureC, relativeHumidity: 1 });
}
