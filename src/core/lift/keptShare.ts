import { independent, sumOf, updated } from "../statistics/gaussian";

/** Share of the turn that is kept after release: 0.70 ± 0.15 before anything is known of a client. A model of this product. */
export const KEPT_PRIOR = { mean: 0.7, sd: 0.15 };
/** From one lift to the next on the same client. A model of this product. */
const RUN_TO_RUN_SD = 0.06;

/** How well each way of reading a result tells the turn, degrees. A model of this product. */
export const READING_SD_DEG = { card: 14, photo: 6 };

/** The five-step card: which of five drawn lashes it looks most like, by kept turn, degrees. */
export const RESULT_CARD = [
  { step: 1, label: "hardly turned", turnDeg: 30 },
  { step: 2, label: "soft", turnDeg: 60 },
  { step: 3, label: "open", turnDeg: 90 },
  { step: 4, label: "high", turnDeg: 120 },
  { step: 5, label: "folding back", turnDeg: 150 },
] as const;

export type KeptReading = {
  /** Turn on the shield, degrees. */
  readonly rawDeg: number;
  /** Turn seen after release, degrees. */
  readonly seenDeg: number;
  readonly by: keyof typeof READING_SD_DEG;
};

export type KeptShare = { readonly mean: number; readonly sd: number; readonly readings: number };

/** What is held of a client's kept share after some lifts: a normal prior, each reading as sure as its way of taking. */
export function learnKeptShare(readings: readonly KeptReading[], prior = KEPT_PRIOR): KeptShare {
  const usable = readings.filter(({ rawDeg }) => rawDeg > 0);
  const belief = updated(
    independent([prior]),
    usable.map(({ rawDeg, seenDeg, by }) => {
      const sd = Math.hypot(READING_SD_DEG[by] / rawDeg, RUN_TO_RUN_SD);
      // Each reading has a noise of its own: scaled to one.
      return { weights: [1 / sd], value: seenDeg / rawDeg / sd };
    }),
    1,
  );
  return { ...sumOf(belief, [1]), readings: usable.length };
}

/** Kept turn of a raw one with its 95 % interval, degrees; a share is never under 0 nor over 1. */
export function keptTurnDeg(rawDeg: number, share: KeptShare): { readonly low: number; readonly mid: number; readonly high: number } {
  const keptDeg = (z: number) => rawDeg * Math.min(1, Math.max(0, share.mean + z * Math.hypot(share.sd, RUN_TO_RUN_SD)));
  return { low: keptDeg(-1.96), mid: keptDeg(0), high: keptDeg(1.96) };
}
