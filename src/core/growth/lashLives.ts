import { SIDES, type Side } from "../eye/sides";
import { standardNormal } from "../units";
import { LASH_CYCLE } from "./cycle";
import { naturalSurvival } from "./retention";

/** A natural lash with an extension on it, the day that was put on. Lengths mm. */
export type WornLash = {
  /** Each eye has lashes of every age; absent where it does not matter. */
  readonly side?: Side;
  readonly lengthMm: number;
  /** What its zone's lashes grow to. */
  readonly matureMm: number;
  /** Bonds lost a day by one like it. */
  readonly hazardPerDay: number;
};

/** What becomes of it, days counted from the placing. */
export type LashLife = {
  /** The day it is shed. */
  readonly shedDay: number;
  /** The day its bond lets go, were it not shed before. */
  readonly lostDay: number;
  readonly growthMmPerDay: number;
  /** For how long it still grows: not at all, where it rests. */
  readonly growsDays: number;
};

/** What is supposed of the lashes of one person. */
export type CycleFigures = {
  readonly cycleDays: number;
  readonly anagenDays: number;
  /** Age below which a lash was left bare, days. */
  readonly bareBelowDays: number;
  readonly growth: { readonly mean: number; readonly sd: number };
};

/** Thibaut et al. 2010, from memory: the spread of growth among lashes is as wide as it is said to be. */
export const USUAL_FIGURES: CycleFigures = {
  cycleDays: LASH_CYCLE.cycleDays,
  anagenDays: LASH_CYCLE.anagenDays,
  bareBelowDays: 0,
  growth: { mean: 0.12, sd: 0.05 },
};

/**
 * One set's lashes with what becomes of each, drawn: phases of an eye as even as the cycle makes them, the lashes that lack most of
 * their full length the youngest; growth by its spread, never less than none. For how long one grows is said by its age: the
 * lengths of a survey only rank them (decision 32). A model of this product; over many draws the share on is
 * `naturalSurvival(t) · exp(−λt)`. `random` gives numbers from 0 to 1.
 */
export function drawLives(worn: readonly WornLash[], figures: CycleFigures, random: () => number): LashLife[] {
  const span = figures.cycleDays - figures.bareBelowDays;
  // Refuses a cycle that cannot be.
  naturalSurvival(0, figures.bareBelowDays, figures.cycleDays);
  const byYouth = worn
    .map(({ side, lengthMm, matureMm }, at) => ({ at, side, lacksMm: Math.max(0, matureMm - lengthMm), chance: random() }))
    .sort((a, b) => b.lacksMm - a.lacksMm || a.chance - b.chance);
  const ofEye = (of: Side | undefined) => byYouth.filter(({ side }) => side === of);
  const lives: LashLife[] = new Array<LashLife>(worn.length);
  const draw = ({ at }: { readonly at: number }, rank: number, { length }: { readonly length: number }) => {
    const ageDays = figures.bareBelowDays + ((rank + random()) / length) * span;
    const growthMmPerDay = Math.max(0, figures.growth.mean + figures.growth.sd * standardNormal(random));
    lives[at] = {
      shedDay: figures.cycleDays - ageDays,
      lostDay: worn[at]!.hazardPerDay > 0 ? -Math.log(1 - random()) / worn[at]!.hazardPerDay : Infinity,
      growthMmPerDay,
      growsDays: Math.max(0, figures.anagenDays - ageDays),
    };
  };
  for (const side of [...SIDES, undefined]) ofEye(side).forEach(draw);
  return lives;
}

/** Is the extension on that day? */
export const isOn = ({ shedDay, lostDay }: LashLife, days: number): boolean => days < shedDay && days < lostDay;

/** How far its attachment stands beyond where it was set, mm. */
export const movedOutMm = ({ growthMmPerDay, growsDays }: LashLife, days: number): number => growthMmPerDay * Math.min(days, growsDays);
