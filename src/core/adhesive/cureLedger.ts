import type { Air } from "../air";
import { clamp } from "../units";
import type { CureDose, DoseCurve } from "./cureDose";
import { finishOf, type FinishFigures, type FinishId } from "./finishes";
import { heldToGood, setTimeRatio, USUAL_LAW, type CureLaw } from "./setTime";

/** Fanned or not, vapour must clear and grab is not through-cure. Common practice. */
export const EYES_SHUT_AT_LEAST_S = 180;
/** By the clock: later than this the air is to be mended. Common practice. */
export const EYES_MEND_AFTER_S = 720;
/** Without a reading of the air the studio's minutes are counted so often, and no longer than until the air would be mended. A model of this product. */
export const UNREAD_AIR_TIMES = 2;
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
  /** So much more dose is asked of what was placed, or cured, while the client talked or moved: 1.25 is a quarter more. */
  readonly talkTimes: number;
  readonly figures: FinishFigures;
};

/** Something placed, when, and whether the client talked or moved since. */
export type PlacedLashes = { readonly key: string; readonly atMs: number; readonly talked?: boolean };

export type LedgerLine = PlacedLashes & { readonly dose: CureDose | null; readonly isolationSafe: boolean; readonly setThrough: boolean };

export type EyesOpen = {
  readonly may: boolean;
  /** Seconds until they may, if this air goes on; 0 when they may. */
  readonly leftS: number;
  readonly leftLowS: number;
  readonly leftHighS: number;
  /** What holds them shut now; `unread` is the air that nobody read. */
  readonly waitsFor: "clock" | "dose" | "finish" | "unread" | null;
  /** More is asked because the client talked or moved. */
  readonly talked: boolean;
  /** Since the last lash, s. */
  readonly sinceS: number;
  /** Too long by the clock: mend the air, or mist by the leaflet. */
  readonly mend: boolean;
  /** What the same wait takes at 22 °C and 50 %, and how many times that this air takes; null where nobody read the air. */
  readonly atReferenceS: number;
  readonly times: number | null;
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
    const more = placing.talked ? settings.talkTimes : 1;
    return {
      ...placing,
      dose,
      isolationSafe: dose !== null && dose.lowS >= settings.holdS * more,
      setThrough: dose !== null && dose.lowS >= settings.eyesOpenS * more,
    };
  });
  const last = lines.reduce<LedgerLine | null>((latest, line) => (latest === null || line.atMs > latest.atMs ? line : latest), null);
  if (!last) return { lines, eyes: null, waterFromMs: null, unheardS: 0 };
  const figures = finishOfLast(last.atMs, finish, settings.figures);
  const finishedAtMs = figures?.eyesAfterS != null ? finish!.atMs + figures.eyesAfterS * 1000 : null;
  // What was placed last holds longest, unless something before it asks for more.
  const waits = lines.filter((line) => line === last || line.talked).map((line) => eyesOpen(line, curve, nowMs, settings, finishedAtMs));
  return {
    lines,
    eyes: { ...waits.reduce((longest, one) => (one.leftHighS > longest.leftHighS ? one : longest)), sinceS: sinceOf(last, nowMs) },
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

/** Nobody read the air, and it may be a dry one: twice as long, but no longer than until a known air would be mended. */
const unreadS = (needS: number) => Math.min(UNREAD_AIR_TIMES * needS, Math.max(needS, EYES_MEND_AFTER_S));

/** From the last lash until the eyes may open if this air goes on, s; without a reading of it, what is counted to be sure. */
export const eyesWaitS = ({ eyesOpenS }: Pick<LedgerSettings, "eyesOpenS">, air: Air | null, law: CureLaw = USUAL_LAW): number =>
  Math.max(EYES_SHUT_AT_LEAST_S, air ? eyesOpenS * setTimeRatio(heldToGood(air), law) : unreadS(eyesOpenS));

const sinceOf = ({ atMs }: PlacedLashes, nowMs: number) => Math.max(0, (nowMs - atMs) / 1000);

function eyesOpen(
  line: LedgerLine,
  { latest, law }: DoseCurve,
  nowMs: number,
  { eyesOpenS, talkTimes }: LedgerSettings,
  finishedAtMs: number | null,
): EyesOpen {
  const sinceS = sinceOf(line, nowMs);
  const needS = eyesOpenS * (line.talked ? talkTimes : 1);
  const byClock = Math.max(0, EYES_SHUT_AT_LEAST_S - sinceS);
  const byFinish = finishedAtMs === null ? null : Math.max(0, (finishedAtMs - nowMs) / 1000);
  const held = (byCure: number) => Math.max(byClock, byFinish === null ? byCure : Math.min(byFinish, byCure));
  const common = { sinceS, talked: line.talked ?? false, atReferenceS: needS };
  if (!line.dose || !latest) {
    // At true seconds, and no air is called slow for it.
    const unread = Math.max(0, unreadS(needS) - sinceS);
    const leftS = held(unread);
    const may = leftS <= 0;
    const waitsFor = may ? null : byClock >= leftS ? "clock" : byFinish !== null && byFinish <= unread ? "finish" : "unread";
    return { ...common, may, leftS, leftLowS: leftS, leftHighS: leftS, waitsFor, mend: false, times: null };
  }
  const ratio = setTimeRatio(heldToGood(latest), law);
  const byDose = (doseS: number) => Math.max(0, (needS - doseS) * ratio);
  const [leftS, leftLowS, leftHighS] = [line.dose.doseS, line.dose.highS, line.dose.lowS].map((doseS) => held(byDose(doseS))) as [
    number,
    number,
    number,
  ];
  // What is unsure keeps them shut.
  const may = leftHighS <= 0;
  return {
    ...common,
    may,
    leftS: may ? 0 : leftS,
    leftLowS,
    leftHighS,
    waitsFor: may ? null : byClock >= leftHighS ? "clock" : byFinish !== null && byFinish <= byDose(line.dose.lowS) ? "finish" : "dose",
    mend: !may && sinceS + leftS > EYES_MEND_AFTER_S,
    times: ratio,
  };
}
