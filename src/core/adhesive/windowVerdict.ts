import { saturationPressurePa, shownAir, temperatureForHumidityC, waterToReachG, type Air } from "../air";
import { clamp } from "../units";
import type { Adhesive } from "./schema";

/** One thing to do to the room. `grams` is water to add (or, negative, to take out). */
export type AirAdvice =
  | { readonly kind: "water"; readonly grams: number; readonly toHumidity: number; readonly atTemperatureC: number }
  | { readonly kind: "temperature"; readonly degrees: number; readonly toTemperatureC: number; readonly toHumidity: number };

export type WindowVerdict = {
  readonly inWindow: boolean;
  readonly humidity: "too dry" | "fits" | "too damp";
  readonly temperature: "too cold" | "fits" | "too warm";
  /** Points of relative humidity outside the window, as a fraction; 0 inside. */
  readonly humidityOff: number;
  readonly temperatureOffC: number;
  /** Outside, but by so little that a usual day brings it back. */
  readonly near: boolean;
  /** Ways back into the window, the surest first; each alone or, when both are off, in this order. */
  readonly advice: readonly AirAdvice[];
};

/** A near miss: a model of this product. */
const NEAR = { humidity: 0.05, temperatureC: 1 };
/** Aim this far inside the window, so that the next draught does not undo it. */
const MARGIN = { humidity: 0.02, temperatureC: 0.5 };

/**
 * Is this air, to the figures that are shown, inside the leaflet's window, and what would bring it there: degrees first when the temperature is off
 * (water is then reckoned at the new temperature), grams of water for this room, or degrees alone where warming or
 * cooling at the same water reaches the window.
 */
export function windowVerdict(
  window: Pick<Adhesive, "humidityLow" | "humidityHigh" | "temperatureLowC" | "temperatureHighC">,
  air: Air,
  volumeM3: number,
): WindowVerdict {
  const shown = shownAir(air);
  const humidity =
    shown.relativeHumidity < window.humidityLow ? "too dry" : shown.relativeHumidity > window.humidityHigh ? "too damp" : "fits";
  const temperature =
    shown.temperatureC < window.temperatureLowC ? "too cold" : shown.temperatureC > window.temperatureHighC ? "too warm" : "fits";
  const advice: AirAdvice[] = [];

  const humidityGoal = inside(window.humidityLow, window.humidityHigh, MARGIN.humidity);
  const temperatureGoal = inside(window.temperatureLowC, window.temperatureHighC, MARGIN.temperatureC);
  let reached = air;
  if (temperature !== "fits") {
    const toTemperatureC = temperatureGoal(air.temperatureC);
    reached = { temperatureC: toTemperatureC, relativeHumidity: humidityAfterWarming(air, toTemperatureC) };
    advice.push({
      kind: "temperature",
      degrees: toTemperatureC - air.temperatureC,
      toTemperatureC,
      toHumidity: reached.relativeHumidity,
    });
  }
  const reachedShown = shownAir(reached).relativeHumidity;
  if (reachedShown < window.humidityLow || reachedShown > window.humidityHigh) {
    const toHumidity = humidityGoal(reached.relativeHumidity);
    advice.push({ kind: "water", grams: waterToReachG(reached, toHumidity, volumeM3), toHumidity, atTemperatureC: reached.temperatureC });
    const byHeat = temperature === "fits" ? temperatureForHumidityC(air, toHumidity) : null;
    if (byHeat !== null && byHeat >= window.temperatureLowC && byHeat <= window.temperatureHighC)
      advice.push({ kind: "temperature", degrees: byHeat - air.temperatureC, toTemperatureC: byHeat, toHumidity });
  }
  const inWindow = humidity === "fits" && temperature === "fits";
  const humidityOff = shown.relativeHumidity - clamp(shown.relativeHumidity, window.humidityLow, window.humidityHigh);
  const temperatureOffC = shown.temperatureC - clamp(shown.temperatureC, window.temperatureLowC, window.temperatureHighC);
  return {
    inWindow,
    humidity,
    temperature,
    humidityOff,
    temperatureOffC,
    near: !inWindow && Math.abs(humidityOff) <= NEAR.humidity && Math.abs(temperatureOffC) <= NEAR.temperatureC,
    advice,
  };
}

/** Nearest value inside low..high, a margin in from the edge where the window is wide enough. */
function inside(low: number, high: number, margin: number): (value: number) => number {
  const m = Math.min(margin, (high - low) / 2);
  return (value) => clamp(value, low + m, high - m);
}

/** Relative humidity once the same vapour stands at another temperature; 1 at most, the rest runs down the glass. */
function humidityAfterWarming(air: Air, toTemperatureC: number): number {
  return Math.min(1, (air.relativeHumidity * saturationPressurePa(air.temperatureC)) / saturationPressurePa(toTemperatureC));
}
