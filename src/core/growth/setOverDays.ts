import type { Side } from "../eye";
import { drawLives, isOn, movedOutMm, type CycleFigures, type LashLife, type WornLash } from "./lashLives";
import { OUTGROWN_MM } from "./movedOut";

/** One worn lash of a set with what its days are judged by. Lashes of an eye stand in line, from the inner corner. */
export type SetLash = WornLash & {
  readonly side: Side;
  /** Place on the lash line, mm from the inner corner. */
  readonly atMm: number;
  /** How far out its attachment makes the load one to stop at, mm; null where growth never does. */
  readonly stopsAtMm: number | null;
};

/** A set on one day. */
export type SetOnDay = {
  readonly days: number;
  readonly on: number;
  /** Gone with their natural lash, and gone because the bond let go. */
  readonly shed: number;
  readonly lost: number;
  /** Of those that are on: attachments that stand too far out, and lashes that carry more than they may. */
  readonly outgrown: number;
  readonly overLoad: number;
  /** The widest bare stretch between two that are on, mm, and where; null where no eye has two. */
  readonly gap: { readonly side: Side; readonly fromMm: number; readonly toMm: number } | null;
};

/** What is left of a set on a day, by what becomes of each of its lashes. */
export function setOnDay(lashes: readonly SetLash[], lives: readonly LashLife[], days: number): SetOnDay {
  let [on, shed, lost, outgrown, overLoad] = [0, 0, 0, 0, 0];
  let gap: SetOnDay["gap"] = null;
  const last: Partial<Record<Side, number>> = {};
  lashes.forEach((lash, i) => {
    const life = lives[i]!;
    if (!isOn(life, days)) {
      if (life.shedDay <= Math.min(days, life.lostDay)) shed += 1;
      else lost += 1;
      return;
    }
    on += 1;
    const moved = movedOutMm(life, days);
    if (moved >= OUTGROWN_MM) outgrown += 1;
    if (lash.stopsAtMm !== null && moved >= lash.stopsAtMm) overLoad += 1;
    const before = last[lash.side];
    if (before !== undefined && (gap === null || lash.atMm - before > gap.toMm - gap.fromMm))
      gap = { side: lash.side, fromMm: before, toMm: lash.atMm };
    last[lash.side] = lash.atMm;
  });
  return { days, on, shed, lost, outgrown, overLoad, gap };
}

/** The share still on by each day over many sets drawn, and the band that nine in ten of them lie in. */
export type DayBand = { readonly days: number; readonly mid: number; readonly low: number; readonly high: number };

/** One set drawn many times, day by day to the last one. */
export function drawManySets(
  lashes: readonly SetLash[],
  figures: CycleFigures,
  { draws, lastDay }: { readonly draws: number; readonly lastDay: number },
  random: () => number,
): DayBand[] {
  const shares = Array.from({ length: lastDay + 1 }, () => new Float64Array(draws));
  for (let draw = 0; draw < draws; draw++) {
    const gone = new Uint32Array(lastDay + 1);
    for (const { shedDay, lostDay } of drawLives(lashes, figures, random)) {
      const day = Math.ceil(Math.min(shedDay, lostDay));
      if (day <= lastDay) gone[day]! += 1;
    }
    let on = lashes.length;
    gone.forEach((n, day) => {
      on -= n;
      shares[day]![draw] = lashes.length === 0 ? 0 : on / lashes.length;
    });
  }
  return shares.map((of, days) => {
    const sorted = of.sort();
    const at = (share: number) => sorted[Math.min(draws - 1, Math.floor(share * draws))] ?? 0;
    return { days, mid: of.reduce((sum, value) => sum + value, 0) / Math.max(1, draws), low: at(0.05), high: at(0.95) };
  });
}
