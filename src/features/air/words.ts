import { formatPercent } from "@/core/units";
import type { AirAdvice } from "@/core/adhesive";

/** One way into a bottle's window as a sentence with a quantity. */
export function adviceWords(advice: AirAdvice): string {
  if (advice.kind === "water") {
    const grams = Math.abs(Math.round(advice.grams / 5) * 5);
    return `About ${grams} g of water ${advice.grams >= 0 ? "into" : "out of"} the room brings it to ${formatPercent(advice.toHumidity)} at ${advice.atTemperatureC.toFixed(1)} °C.`;
  }
  const degrees = Math.abs(advice.degrees).toFixed(1);
  return `${advice.degrees > 0 ? "Warm" : "Cool"} by ${degrees} °C, to ${advice.toTemperatureC.toFixed(1)} °C; with the same water that leaves ${formatPercent(advice.toHumidity)}.`;
}
