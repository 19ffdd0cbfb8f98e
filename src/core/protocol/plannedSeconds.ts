import { clamp } from "../units";
import type { ProcessStep } from "./protocol";

/** What is known of the hair and the day that speeds or slows a step. */
export type HairFactors = {
  readonly hair: "fine" | "medium" | "coarse";
  /** Lifted, tinted, bleached or permed before. */
  readonly processed: boolean;
  readonly filmCover: boolean;
};

export type Planned = {
  readonly seconds: number;
  /** What the time was multiplied by, with its name, in the order applied. */
  readonly because: readonly {
    readonly what: "fine" | "coarse" | "processed" | "filmCover" | "uncovered";
    readonly factor: number;
  }[];
  /** Whether the leaflet's end, or its beginning, cut it. */
  readonly held: "least" | "most" | null;
  /** Where the factors ask for less than the leaflet's shortest: their own time, at which the hair is looked at, s; else null. */
  readonly lookAtS: number | null;
};
type Because = Planned["because"];

/**
 * Seconds planned for a step: its usual time times what speeds or slows it, held within the leaflet's range, to the quarter
 * minute. The room is no factor: a lotion lies on skin of about 32 to 34 °C, whatever the room (from memory). Where
 * `worked` says what time this client's hair took before, and by which pace, only what is different today changes it.
 */
export function plannedSeconds(
  step: ProcessStep,
  pace: HairFactors,
  worked?: { readonly seconds: number; readonly pace: HairFactors },
): Planned {
  const because = worked ? differences(step, pace, worked.pace) : factors(step, pace);
  const wished = because.reduce((seconds, { factor }) => seconds * factor, worked?.seconds ?? step.defaultS);
  const rounded = Math.round(wished / 15) * 15;
  const seconds = clamp(rounded, step.leastS, step.mostS);
  const limit = rounded > step.mostS ? "most" : rounded < step.leastS ? "least" : null;
  return { seconds, because, held: limit, lookAtS: limit === "least" && because.length > 0 ? rounded : null };
}

/** What would bring the factors' time back into the leaflet's range, where it lies below; empty where it does not. */
export function bringsBack(step: ProcessStep, { because, lookAtS }: Planned): ("noFilm" | "largerShield")[] {
  if (lookAtS === null) return [];
  const film = because.some(({ what }) => what === "filmCover");
  const lift = step.product === "lifting" && step.on === "lashes";
  return [...(film ? ["noFilm" as const] : []), ...(lift ? ["largerShield" as const] : [])];
}

function factors({ speeds }: ProcessStep, { hair, processed, filmCover }: HairFactors): Because {
  return [
    ...(hair === "medium" ? [] : [{ what: hair, factor: speeds[hair] }]),
    ...(processed ? [{ what: "processed" as const, factor: speeds.processed }] : []),
    ...(filmCover ? [{ what: "filmCover" as const, factor: speeds.filmCover }] : []),
  ];
}

function differences({ speeds }: ProcessStep, now: HairFactors, before: HairFactors): Because {
  return [
    ...(now.processed && !before.processed ? [{ what: "processed" as const, factor: speeds.processed }] : []),
    ...(now.filmCover && !before.filmCover ? [{ what: "filmCover" as const, factor: speeds.filmCover }] : []),
    ...(before.filmCover && !now.filmCover ? [{ what: "uncovered" as const, factor: 1 / speeds.filmCover }] : []),
  ];
}
