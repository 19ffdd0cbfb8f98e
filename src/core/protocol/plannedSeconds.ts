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
  readonly because: readonly {
    readonly what: "fine" | "coarse" | "processed" | "filmCover" | "uncovered" | "warm" | "cool" | "warmer" | "cooler";
    readonly factor: number;
  }[];
  /** Whether the leaflet's end, or its beginning, cut it. */
  readonly held: "least" | "most" | null;
};
type Because = Planned["because"];

/** Warmth speeds, and cold slows, between these rooms only. A model of this product. */
const ROOM_C = { reference: 22, low: 16, high: 30 };
const inRange = (roomC: number) => clamp(roomC, ROOM_C.low, ROOM_C.high);

/**
 * Seconds planned for a step: its usual time times what speeds or slows it, held within the leaflet's range, to the quarter
 * minute. Where `worked` says what time this client's hair took before, and by which pace, only what is different today
 * changes it.
 */
export function plannedSeconds(step: ProcessStep, pace: Pace, worked?: { readonly seconds: number; readonly pace: Pace }): Planned {
  const because = worked ? differences(step, pace, worked.pace) : factors(step, pace);
  const wished = because.reduce((seconds, { factor }) => seconds * factor, worked?.seconds ?? step.defaultS);
  const rounded = Math.round(wished / 15) * 15;
  const seconds = clamp(rounded, step.leastS, step.mostS);
  return { seconds, because, held: rounded > step.mostS ? "most" : rounded < step.leastS ? "least" : null };
}

function factors({ speeds }: ProcessStep, { hair, processed, filmCover, roomC }: Pace): Because {
  const over = roomC === null ? 0 : inRange(roomC) - ROOM_C.reference;
  return [
    ...(hair === "medium" ? [] : [{ what: hair, factor: speeds[hair] }]),
    ...(processed ? [{ what: "processed" as const, factor: speeds.processed }] : []),
    ...(filmCover ? [{ what: "filmCover" as const, factor: speeds.filmCover }] : []),
    ...worthSaying({ what: over > 0 ? "warm" : "cool", factor: speeds.perDegree ** over }),
  ];
}

function differences({ speeds }: ProcessStep, now: Pace, before: Pace): Because {
  const over = now.roomC === null || before.roomC === null ? 0 : inRange(now.roomC) - inRange(before.roomC);
  return [
    ...(now.processed && !before.processed ? [{ what: "processed" as const, factor: speeds.processed }] : []),
    ...(now.filmCover && !before.filmCover ? [{ what: "filmCover" as const, factor: speeds.filmCover }] : []),
    ...(before.filmCover && !now.filmCover ? [{ what: "uncovered" as const, factor: 1 / speeds.filmCover }] : []),
    ...worthSaying({ what: over > 0 ? "warmer" : "cooler", factor: speeds.perDegree ** over }),
  ];
}

const worthSaying = (one: Because[number]): Because => (Math.abs(Math.log(one.factor)) > 0.01 ? [one] : []);
