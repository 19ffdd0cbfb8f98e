import { formatPercent } from "@/core/units";
import type { BottleDrift, BottleFitness, HandMatch, SetTime } from "@/core/adhesive";
import type { Tone } from "@/ui";

/** "1 point", "12 points"; a near miss is at least one. */
const pointsWords = (off: number) => {
  const points = Math.max(1, Math.abs(Math.round(off * 100)));
  return `${points} ${points === 1 ? "point" : "points"}`;
};
/** A bottle's standing for this air and hand: a word, how grave, and why. */
export function fitnessWords({ age, verdict, hand, drift, fits }: BottleFitness): { tone: Tone; word: string; says: string } {
  if (age.state === "past its life")
    return {
      tone: "stop",
      word: "past its life",
      says: `Its leaflet's days after opening ended ${-age.daysLeft} ${age.daysLeft === -1 ? "day" : "days"} ago.`,
    };
  if (drift?.old)
    return { tone: "stop", word: "old", says: `By its own tests: ${drift.times.toFixed(2)} × as slow as when it was opened.` };
  if (!verdict) return { tone: "note", word: "no reading", says: "Without a reading of the air there is no verdict." };
  if (!verdict.inWindow) {
    const parts = [
      verdict.humidity !== "fits"
        ? `${pointsWords(verdict.humidityOff)} ${verdict.humidity === "too dry" ? "below" : "above"} its humidity`
        : "",
      verdict.temperature !== "fits"
        ? `${Math.abs(verdict.temperatureOffC).toFixed(1)} °C ${verdict.temperature === "too cold" ? "below" : "above"} its warmth`
        : "",
    ].filter(Boolean);
    return {
      tone: verdict.near ? "look" : "stop",
      word: verdict.humidity !== "fits" ? verdict.humidity : verdict.temperature,
      says: `${parts.join(" and ")} window.`,
    };
  }
  if (hand && hand.word !== "fits") return { tone: "look", word: hand.word, says: handWords(hand) };
  return { tone: fits ? "good" : "note", word: "fits", says: hand ? handWords(hand) : "Inside its window." };
}

/** Set time against the hand, with the numbers. */
export function handWords({ word, placementS, setTimeS, lateShare }: HandMatch): string {
  const numbers = `sets in ${setTimeS.toFixed(1)} s, you take ${placementS.toFixed(1)} s`;
  if (word === "too fast") return `Skins before you arrive ${Math.max(1, Math.round(lateShare * 10))} times in ten: ${numbers}.`;
  if (word === "too slow") return `Every lash is waited for: ${numbers}.`;
  return `It ${numbers}.`;
}

export function setTimeWords(expected: SetTime, nominalS: number): string {
  if (!expected.known) return `${expected.why} No figure.`;
  const behind =
    expected.tests === 0
      ? "no test yet"
      : `${expected.tests} ${expected.tests === 1 ? "test" : "tests"}, ${expected.ofBottle} of this bottle`;
  return `Sets in ${expected.setTimeS.toFixed(1)} s here (${expected.lowS.toFixed(1)} to ${expected.highS.toFixed(1)}), ${nominalS.toFixed(1)} s by its leaflet: ${expected.ratio.toFixed(2)} ×; ${behind}.`;
}

export function driftWords({ times, low, high, tests }: BottleDrift, daysOpen: number): string {
  return `${times.toFixed(2)} × its pace when opened ${daysOpen} days ago (${low.toFixed(2)} to ${high.toFixed(2)}, from ${tests} ${tests === 1 ? "test" : "tests"}).`;
}

/** Life and store of a bottle in a line. */
export function ageWords({ age }: Pick<BottleFitness, "age">, lifeDays: number): string {
  return `Opened ${age.daysOpen} ${age.daysOpen === 1 ? "day" : "days"} ago, ${age.daysLeft >= 0 ? `${age.daysLeft} left` : "over"} of ${lifeDays}`;
}
export const windowWords = (window: { humidityLow: number; humidityHigh: number; temperatureLowC: number; temperatureHighC: number }) =>
  `${formatPercent(window.humidityLow)} to ${formatPercent(window.humidityHigh)}, ${window.temperatureLowC} to ${window.temperatureHighC} °C`;
