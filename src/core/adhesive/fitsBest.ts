import type { Air } from "../air";
import { clamp } from "../units";
import type { Adhesive } from "./schema";

type Window = Pick<Adhesive, "humidityLow" | "humidityHigh" | "temperatureLowC" | "temperatureHighC">;

/** How far air lies outside a window: degrees, ten points of humidity counting as one. 0 inside. A model of this product. */
function outsideBy(window: Window, air: Air): number {
  const humidity = air.relativeHumidity - clamp(air.relativeHumidity, window.humidityLow, window.humidityHigh);
  const temperature = air.temperatureC - clamp(air.temperatureC, window.temperatureLowC, window.temperatureHighC);
  return Math.abs(humidity) * 10 + Math.abs(temperature);
}

/**
 * The bottle whose window this air lies in, or else nearest to; of several the first. Without a reading the first.
 * Null when there is none.
 */
export function fitsBest<T extends { readonly adhesive: Window }>(bottles: readonly T[], air: Air | null): T | null {
  if (!air) return bottles[0] ?? null;
  return bottles.reduce<T | null>(
    (best, bottle) => (best === null || outsideBy(bottle.adhesive, air) < outsideBy(best.adhesive, air) ? bottle : best),
    null,
  );
}
