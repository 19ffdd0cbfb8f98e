import { saturationPressurePa } from "./saturationPressure";
import type { Air } from "./schema";
import { vapourDensityGm3 } from "./vapourDensity";

/**
 * Water to add (or, negative, to take out) to bring a room from one humidity to another at the same temperature, g:
 * `V(ρ₂ − ρ₁)`. What walls and leaks take is not in it.
 * `waterToReachG({ temperatureC: 22, relativeHumidity: 0.3 }, 0.5, 30)` → 116.5
 */
export function waterToReachG(air: Air, relativeHumidity: number, volumeM3: number): number {
  return volumeM3 * (vapourDensityGm3({ ...air, relativeHumidity }) - vapourDensityGm3(air));
}

/**
 * Temperature at which this air, no water added or taken, has the wanted relative humidity, °C; null outside
 * −20 to 60. Vapour pressure is held: a room breathes with the air outside it.
 * Warming dry air dries it further: `temperatureForHumidityC({ temperatureC: 22, relativeHumidity: 0.5 }, 0.4)` → 25.6
 */
export function temperatureForHumidityC(air: Air, relativeHumidity: number): number | null {
  const vapourPa = air.relativeHumidity * saturationPressurePa(air.temperatureC);
  const humidityAt = (t: number) => vapourPa / saturationPressurePa(t);
  let [cold, warm] = [-20, 60];
  if (humidityAt(cold) < relativeHumidity || humidityAt(warm) > relativeHumidity) return null;
  for (let i = 0; i < 60; i++) {
    const middle = (cold + warm) / 2;
    if (humidityAt(middle) > relativeHumidity) cold = middle;
    else warm = middle;
  }
  return (cold + warm) / 2;
}
