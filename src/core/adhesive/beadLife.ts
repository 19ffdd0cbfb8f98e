import type { Air } from "../air";
import { clamp } from "../units";
import { SET_TIME_GOOD_FOR, setTimeRatio } from "./setTime";

/**
 * How long a bead on its plate stays good, s: the studio's minutes at reference, shortened by heat and damp as the set
 * time is, never lengthened and never under half. Common practice (15 to 20 min); the scaling is a model of ours.
 * `beadLifeS(15, { temperatureC: 22, relativeHumidity: 0.5 })` → 900
 */
export function beadLifeS(minutesAtReference: number, air: Air | null): number {
  if (!air) return Math.round(minutesAtReference * 60);
  const [coldest, warmest] = SET_TIME_GOOD_FOR.temperatureC;
  const [driest, dampest] = SET_TIME_GOOD_FOR.relativeHumidity;
  const held = {
    temperatureC: clamp(air.temperatureC, coldest, warmest),
    relativeHumidity: clamp(air.relativeHumidity, driest, dampest),
  };
  return Math.round(minutesAtReference * 60 * clamp(setTimeRatio(held), 0.5, 1));
}
