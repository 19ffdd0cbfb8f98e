import { humidityRatio } from "./humidityRatio";
import type { Air } from "./schema";

/**
 * How far mist or a wet cloth can cool this air, °C, at a pressure in Pa: the thermodynamic wet bulb, ASHRAE Handbook
 * Fundamentals ch. 1, eq. 33 (water) and 35 (ice), by halving.
 * `wetBulbC({ temperatureC: 22, relativeHumidity: 0.5 }, 101325)` → 15.5
 */
export function wetBulbC(air: Air, pressurePa: number): number {
  const wanted = humidityRatio(air, pressurePa);
  const { temperatureC: dry } = air;
  const ratioAt = (wet: number) => {
    const saturated = humidityRatio({ temperatureC: wet, relativeHumidity: 1 }, pressurePa);
    return wet >= 0
      ? ((2501 - 2.326 * wet) * saturated - 1.006 * (dry - wet)) / (2501 + 1.86 * dry - 4.186 * wet)
      : ((2830 - 0.24 * wet) * saturated - 1.006 * (dry - wet)) / (2830 + 1.86 * dry - 2.1 * wet);
  };
  let [low, high] = [dry - 60, dry];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (ratioAt(middle) > wanted) high = middle;
    else low = middle;
  }
  return (low + high) / 2;
}
