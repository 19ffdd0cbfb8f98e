import type { Air } from "../air";
import { clamp } from "../units";
import type { CureDose, DoseCurve } from "./cureDose";
import { finishOf, type FinishFigures, type FinishId } from "./finishes";
import { heldToGood, SET_TIME_REFERENCE, setTimeRatio, USUAL_LAW, type CureLaw } from "./setTime";

/** Fanned or not, vapour must clear and grab is not through-cure. Common practice. */
export const EYES_SHUT_AT_LEAST_S = 180;
/** By the clock: later than this the air is to be mended. Common practice. */
export const EYES_MEND_AFTER_S = 720;
/** Isolation is shown between these and beyond the second the air or the bottle is to be changed. Common practice. */
export const ISOLATION_S = [2, 8] as const;

/** Isolation of one lash: seconds in this air, or too long to hold. */
export type Isolation = { readonly seconds: number; readonly tooSlow: boolean };

/**
 * How long one lash is held apart in this air: the studio's seconds at reference, times the set-time ratio, or its fixed
 * seconds where its school counts so. Too slow is told by the air either way.
 */
export function isolation(
  { holdS, holdFollowsAir }: Pick<LedgerSettings, "holdS" | "holdFollowsAir">,
  air: Air,
  law: CureLaw = USUAL_LAW,
): Isolation {
  const seconds = holdS * setTimeRatio(heldToGood(air), law);
  if (!holdFollowsAir) return { seconds: holdS, tooSlow: seconds > ISOLATION_S[1] };
  return { seconds: clamp(seconds, ISOLATION_S[0], ISOLATION_S[1]), tooSlow: seconds > ISOLATION_S[1] };
}

export type LedgerSettings = {
  /** Seconds a lash is held apart at 22 °C and 50 %, or in any air where it does not follow the air. */
  readonly holdS: number;
  readonly holdFollowsAir: boolean;
  /** Seconds at reference before eyes may open. */
  readonly eyesOpenS: number;
  readonly figures: FinishFigures;
};

/** Something placed, and when. */
export type PlacedLashes = { readonly key: string; readonly atMs: number };

export type LedgerLine = PlacedLashes & { readonly dose: CureDose | null; readonly isolationSafe: boolean; readonly setThrough: boolean };

export type EyesOpen = {
  readonly may: boolean;
  /** Seconds until they may, if this air goes on; 0 when they may. */
  readonly leftS: number;
  readonly leftLowS: number;
  readonly leftHighS: number;
  /** What holds them shut now. */
  readonly waitsFor: "clock" | "dose" | "finish" | null;
  /** Since the last lash, s. */
  readonly sinceS: number;
  /** Too long by the clock: mend the air, or mist by the leaflet. */
  readonly mend: boolean;
  /** What the same wait takes at 22 °C and 50 %, and how many times that this air takes. */
  readonly atReferenceS: number;
  readonly times: number;
};

export type Finished = { readonly method: FinishId; readonly atMs: number };

export type CureLedger = {
  readonly lines: readonly LedgerLine[];
  readonly eyes: EyesOpen | null;
  /** No water before this moment, ms; null while nothing was placed. */
  readonly waterFromMs: number | null;
  readonly unheardS: number;
};

/**
 * How far each bead's and zone's work has cured by now, when eyes may open, and from when water is harmless. The curve is of
 * the room's readings, by the law that this bottle's tests have taught.
 */
export function cureLedger(
  placings: readonly PlacedLashes[],
  curve: DoseCurve,
  nowMs: number,
  settings: LedgerSettings,
  { finish = null, waterHours }: { finish?: Finished | null; waterHours?: number } = {},
): CureLedger {
  const lines = placings.map((placing) => {
    const dose = curve.between(placing.atMs, nowMs);
    return {
      ...placing,
      dose,
      isolationSafe: dose !== null && dose.lowS >= settings.holdS,
      setThrough: dose !== null && dose.lowS >= settings.eyesOpenS,
    };
  });
  const last = lines.reduce<LedgerLine | null>((latest, line) => (latest === null || line.atMs > latest.atMs ? line : latest), null);
  if (!last) return { lines, eyes: null, waterFromMs: null, unheardS: 0 };
  const figures = finishOfLast(last.atMs, finish, settings.figures);
  const finishedAtMs = figures?.eyesAfterS != null ? finish!.atMs + figures.eyesAfterS * 1000 : null;
  return {
    lines,
    eyes: eyesOpen(last, curve, nowMs, settings.eyesOpenS, finishedAtMs),
    waterFromMs: waterFromMs(last.atMs, settings.figures, finish, waterHours),
    unheardS: last.dose?.unheardS ?? (nowMs - last.atMs) / 1000,
  };
}

/** A finish counts for the lashes placed before it. */
const finishOfLast = (lastMs: number, finish: Finished | null, figures: FinishFigures) =>
  finish && finish.atMs >= lastMs ? finishOf(figures, finish.method) : null;

/** From when water is harmless, ms: by the finish that was used, else the adhesive's leaflet, else the studio's own hours. */
export function waterFromMs(lastMs: number, figures: FinishFigures, finish: Finished | null, adhesiveHours?: number): number {
  const used = finish?.method === "fan" ? null : finishOfLast(lastMs, finish, figures);
  return lastMs + (used?.waterHours ?? adhesiveHours ?? figures.fan.waterHours) * 3_600_000;
}

function eyesOpen(last: LedgerLine, { latest, law }: DoseCurve, nowMs: number, needS: number, finishedAtMs: number | null): EyesOpen {
  const sinceS = Math.max(0, (nowMs - last.atMs) / 1000);
  const ratio = setTimeRatio(heldToGood(latest ?? SET_TIME_REFERENCE), law);
  const byDose = (doseS: number) => Math.max(0, (needS - doseS) * ratio);
  // Without any reading the reference is all there is to go by, and twice as long is not ruled out.
  const dose = last.dose ?? { doseS: sinceS, lowS: sinceS / 2, highS: sinceS * 1.5 };
  const byClock = Math.max(0, EYES_SHUT_AT_LEAST_S - sinceS);
  const byFinish = finishedAtMs === null ? null : Math.max(0, (finishedAtMs - nowMs) / 1000);
  const left = (doseS: number) => Math.max(byClock, byFinish === null ? byDose(doseS) : Math.min(byFinish, byDose(doseS)));
  const [leftS, leftLowS, leftHighS] = [left(dose.doseS), left(dose.highS), left(dose.lowS)];
  // What is unsure keeps them shut.
  const may = leftHighS <= 0;
  return {
    may,
    leftS: may ? 0 : leftS,
    leftLowS,
    leftHighS,
    waitsFor: may ? null : byClock >= leftHighS ? "clock" : byFinish !== null && byFinish <= byDose(dose.lowS) ? "finish" : "dose",
    sinceS,
    mend: !may && sinceS + leftS > EYES_MEND_AFTER_S,
    atReferenceS: needS,
    times: ratio,
  };
}
