import type { Air } from "../air";
import { clamp } from "../units";
import { heldToGood, setTimeRatio } from "./setTime";

/**
 * How long a bead on its plate stays good, s: the studio's minutes at reference, shortened by heat and damp as the set
 * time is, never lengthened and never under half. Common practice (15 to 20 min); the scaling is a model of ours.
 * `beadLifeS(15, { temperatureC: 22, relativeHumidity: 0.5 })` → 900
 */
export function beadLifeS(minutesAtReference: number, air: Air | null): number {
  if (!air) return Math.round(minutesAtReference * 60);
  return Math.round(minutesAtReference * 60 * clamp(setTimeRatio(heldToGood(air)), 0.5, 1));
}

/** Drops that so many minutes of placing will take in this air: a new one each time a bead's life is over. */
export const beadsFor = (placingMinutes: number, minutesAtReference: number, air: Air | null): number =>
  Math.ceil((placingMinutes * 60) / beadLifeS(minutesAtReference, air));
