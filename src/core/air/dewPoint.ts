import { saturationPressurePa } from "./saturationPressure";
import type { Air } from "./schema";

/**
 * Temperature at which this air begins to give up water (frost point below 0 °C), °C: where the saturation pressure
 * equals the vapour pressure, by Newton's method on its logarithm.
 * `dewPointC({ temperatureC: 22, relativeHumidity: 0.5 })` → 11.11
 */
export function dewPointC({ temperatureC, relativeHumidity }: Air): number {
  const wanted = Math.log(relativeHumidity * saturationPressurePa(temperatureC));
  let t = temperatureC - (1 - relativeHumidity) * 20;
  for (let i = 0; i < 60; i++) {
    const h = 1e-3;
    const logPressure = Math.log(saturationPressurePa(t));
    const slope = (Math.log(saturationPressurePa(t + h)) - Math.log(saturationPressurePa(t - h))) / (2 * h);
    const next = t - (logPressure - wanted) / slope;
    if (Math.abs(next - t) < 1e-9) return next;
    t = next;
  }
  return t;
}
