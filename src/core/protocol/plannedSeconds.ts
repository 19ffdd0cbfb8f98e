import { clamp } from "../units";
import type { ProcessStep } from "./protocol";

/** What is known of the hair and the day that speeds or slows a step. */
export type Pace = {
  readonly hair: "fine" | "medium" | "coarse";
  /** Lifted, tinted, bleached or permed before. */
  readonly processed: boolean;
  readonly filmCover: boolean;
  /** °C; null where nobody measured. */
  readonly roomC: number | null;
};

export type Planned = {
  readonly seconds: number;
  /** What the time was multiplied by, with its name, in the order applied. */
  readonly because: readonly { readonly what: "fine" | "coarse" | "processed" | "filmCover" | "warm" | "cool"; readonly factor: number }[];
  /** Whether the leaflet's end, or its beginning, cut it. */
  readonly held: "least" | "most" | null;
};

/** Warmth speeds, and cold slows, between these rooms only. A model of this product. */
const ROOM_C = { reference: 22, low: 16, high: 30 };

/**
 * Seconds planned for a step: a base time times what speeds or slows it, held within the leaflet's range, to the quarter
 * minute. `baseS` is what history proposes, or the step's own usual time.
 */
export function plannedSeconds(step: ProcessStep, pace: Pace, baseS = step.defaultS): Planned {
  const because: { what: Planned["because"][number]["what"]; factor: number }[] = [];
  if (pace.hair !== "medium") because.push({ what: pace.hair, factor: step.speeds[pace.hair] });
  if (pace.processed) because.push({ what: "processed", factor: step.speeds.processed });
  if (pace.filmCover) because.push({ what: "filmCover", factor: step.speeds.filmCover });
  if (pace.roomC !== null) {
    const over = clamp(pace.roomC, ROOM_C.low, ROOM_C.high) - ROOM_C.reference;
    const factor = step.speeds.perDegree ** over;
    if (Math.abs(factor - 1) > 0.01) because.push({ what: over > 0 ? "warm" : "cool", factor });
  }
  const wished = because.reduce((seconds, { factor }) => seconds * factor, baseS);
  const rounded = Math.round(wished / 15) * 15;
  const seconds = clamp(rounded, step.leastS, step.mostS);
  return { seconds, because, held: rounded > step.mostS ? "most" : rounded < step.leastS ? "least" : null };
}
