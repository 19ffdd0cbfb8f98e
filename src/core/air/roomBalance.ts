import { celsiusToKelvin } from "../units";
import type { RoomTraits } from "./roomTraits";
import { vapourDensityGm3 } from "./vapourDensity";

/** Water a person at rest breathes out and gives off, g/h. From memory. */
export const PERSON_G_PER_H = 50;
/** Technician and client while there is work; before the first chair the technician alone. */
export const PEOPLE_AT_WORK = 2;
export const PEOPLE_BEFORE = 1;

/** A room's water as one vessel: what comes in, what leaves with the air. */
export type WaterBalance = {
  readonly volumeM3: number;
  readonly airChangePerH: number;
  /** Outside air's water once it is at the room's temperature, g/m³. */
  readonly incomingGm3: number;
  /** Humidifier, people, less what a dryer takes, g/h. */
  readonly sourceGPerH: number;
};

/** The balance of a room at a temperature with so many people in it and so much added (or taken, negative), g/h. */
export function waterBalance(
  { airChangePerH, outside }: Pick<RoomTraits, "airChangePerH" | "outside">,
  volumeM3: number,
  temperatureC: number,
  { people, addedGPerH }: { people: number; addedGPerH: number },
): WaterBalance {
  const incomingGm3 = (vapourDensityGm3(outside) * celsiusToKelvin(outside.temperatureC)) / celsiusToKelvin(temperatureC);
  return { volumeM3, airChangePerH, incomingGm3, sourceGPerH: people * PERSON_G_PER_H + addedGPerH };
}

/** What it comes to if nothing is changed, g/m³: `ρ_ss = ρ_o + q/(nV)`; without any change of air it never settles (±Infinity). */
export function steadyStateGm3({ volumeM3, airChangePerH, incomingGm3, sourceGPerH }: WaterBalance): number {
  if (airChangePerH === 0) return sourceGPerH === 0 ? NaN : Math.sign(sourceGPerH) * Infinity;
  return Math.max(0, incomingGm3 + sourceGPerH / (airChangePerH * volumeM3));
}

/**
 * Water after some hours, g/m³. `store` is how many times its own air's water the room holds in walls and linen: they
 * fill along with it, so it only slows the way, and the end stays. Exponential at rate n / store.
 */
export function densityAfterGm3(startGm3: number, balance: WaterBalance, hours: number, store = 1): number {
  if (balance.airChangePerH === 0) return Math.max(0, startGm3 + (balance.sourceGPerH * hours) / (balance.volumeM3 * store));
  const end = steadyStateGm3(balance);
  return end + (startGm3 - end) * Math.exp((-balance.airChangePerH * hours) / store);
}

/** Hours until the room's water passes a wanted one, g/m³; null when it never does. */
export function hoursToDensity(startGm3: number, wantedGm3: number, balance: WaterBalance, store = 1): number | null {
  if (startGm3 === wantedGm3) return 0;
  if (balance.airChangePerH === 0) {
    const hours = ((wantedGm3 - startGm3) * balance.volumeM3 * store) / balance.sourceGPerH;
    return Number.isFinite(hours) && hours > 0 ? hours : null;
  }
  const end = steadyStateGm3(balance);
  const share = (wantedGm3 - end) / (startGm3 - end);
  return share > 0 && share < 1 ? (-Math.log(share) * store) / balance.airChangePerH : null;
}
