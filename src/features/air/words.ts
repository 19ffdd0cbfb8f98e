import type { AirAdvice, SetTime, WindowVerdict } from "@/core/adhesive";
import type { Tone } from "@/ui";

/** A bottle's standing in this air: a word and how grave. */
export function standingWords(verdict: WindowVerdict, daysLeft: number): { tone: Tone; word: string; says: string } {
  if (daysLeft < 0)
    return {
      tone: "stop",
      word: "past its life",
      says: `Its leaflet's days after opening ended ${-daysLeft} ${daysLeft === -1 ? "day" : "days"} ago.`,
    };
  if (verdict.inWindow) return { tone: "good", word: "fits", says: "Inside its window." };
  const parts = [
    verdict.humidity !== "fits"
      ? `${Math.abs(Math.round(verdict.humidityOff * 100))} points ${verdict.humidity === "too dry" ? "below" : "above"} its humidity`
      : "",
    verdict.temperature !== "fits"
      ? `${Math.abs(verdict.temperatureOffC).toFixed(1)} °C ${verdict.temperature === "too cold" ? "below" : "above"} its warmth`
      : "",
  ].filter(Boolean);
  const near = Math.abs(verdict.humidityOff) <= 0.05 && Math.abs(verdict.temperatureOffC) <= 1;
  return {
    tone: near ? "look" : "stop",
    word: verdict.humidity !== "fits" ? verdict.humidity : verdict.temperature,
    says: `${parts.join(" and ")} window.`,
  };
}

/** One way into the window as a sentence with a quantity. */
export function adviceWords(advice: AirAdvice): string {
  if (advice.kind === "water") {
    const grams = Math.abs(Math.round(advice.grams / 5) * 5);
    return advice.grams >= 0
      ? `About ${grams} g of water into the room brings it to ${percent(advice.toHumidity)} at ${advice.atTemperatureC.toFixed(1)} °C.`
      : `About ${grams} g of water out of the room brings it to ${percent(advice.toHumidity)} at ${advice.atTemperatureC.toFixed(1)} °C.`;
  }
  const degrees = Math.abs(advice.degrees).toFixed(1);
  return `${advice.degrees > 0 ? "Warm" : "Cool"} by ${degrees} °C, to ${advice.toTemperatureC.toFixed(1)} °C; with the same water that leaves ${percent(advice.toHumidity)}.`;
}

export function setTimeWords(expected: SetTime, nominalS: number): string {
  if (!expected.known) return `${expected.why} No figure.`;
  return `Sets in ${expected.setTimeS.toFixed(1)} s here (${expected.lowS.toFixed(1)} to ${expected.highS.toFixed(1)}), ${nominalS.toFixed(1)} s by its leaflet: ${expected.ratio.toFixed(2)} ×.`;
}

const percent = (fraction: number) => `${Math.round(fraction * 100)} %`;
