import type { Policy } from "../policy";
import { LASH_CYCLE } from "./cycle";

/** A figure that is not known exactly: its middle and its standard deviation. */
export type Unsure = { readonly mean: number; readonly sd: number };
/** A cycle's days as a studio supposes them, with how far that may be out. */
export const cycleOf = ({ cycleDays, cycleSdDays }: Pick<Policy, "cycleDays" | "cycleSdDays">): Unsure => ({
  mean: cycleDays,
  sd: cycleSdDays,
});
/** A share with the bounds that hold it in 95 of 100. */
export type ShareRange = { readonly mid: number; readonly low: number; readonly high: number };

/** Standard normal deviate of a two-sided 95 % interval. */
const Z95 = 1.959964;

/** What no eyelash does: a figure of the cycle, or a time, that cannot be. */
export class ImpossibleCycle extends RangeError {}

/**
 * Share of placements whose natural lash is still there after some days, random phase of the cycle:
 * `S_nat(t) = 1 − t/(C − g)`, g the age below which a lash was left bare. `naturalSurvival(14)` → 0.844.
 * Refuses a time before the placing, and lashes left bare for as long as they live, or longer.
 */
export function naturalSurvival(days: number, bareBelowDays = 0, cycleDays: number = LASH_CYCLE.cycleDays): number {
  if (!(days >= 0)) throw new ImpossibleCycle("Days since the placing cannot be fewer than none.");
  if (!(bareBelowDays >= 0)) throw new ImpossibleCycle("A lash cannot be left bare before it grows.");
  if (!(cycleDays > bareBelowDays)) throw new ImpossibleCycle("Lashes left bare for their whole cycle never wear anything.");
  return Math.max(0, 1 - days / (cycleDays - bareBelowDays));
}

/**
 * The same where cycle and age are not known exactly. What counts is the time a worn lash has, C − g: survival only rises
 * with it, so the bounds of the one are the bounds of the other. Where the least of it is no time at all, the low bound is 0.
 */
export function naturalSurvivalRange(
  days: number,
  bareBelow: Unsure = { mean: 0, sd: 0 },
  cycle: Unsure = { mean: LASH_CYCLE.cycleDays, sd: LASH_CYCLE.cycleSdDays },
): ShareRange {
  if (!(bareBelow.sd >= 0 && cycle.sd >= 0)) throw new ImpossibleCycle("A spread cannot be less than none.");
  const mid = naturalSurvival(days, bareBelow.mean, cycle.mean);
  const worn = cycle.mean - bareBelow.mean;
  const off = Z95 * Math.hypot(cycle.sd, bareBelow.sd);
  const after = (wornDays: number) => (wornDays > days ? 1 - days / wornDays : 0);
  return { mid, low: after(worn - off), high: after(worn + off) };
}

/** Bonds lost a day on an ordinary placement: 60 % left at 21 days. A model of this product until the studio's own is known. */
export const USUAL_BOND_HAZARD = 0.0117;
/** Contact of that ordinary placement, mm: C 12 on a lash of slight curl. */
const USUAL_CONTACT_MM = 1.4;

/**
 * Share of bonds that hold for some days, the less contact the fewer: `exp(−λ·t·c₀/c)`. A model of this product, for
 * comparing two fibres on the same lash. `bondSurvival(21, 1.4)` → 0.783
 */
export function bondSurvival(days: number, contactMm: number, hazardPerDay = USUAL_BOND_HAZARD): number {
  return Math.exp((-hazardPerDay * days * USUAL_CONTACT_MM) / Math.max(0.1, contactMm));
}
