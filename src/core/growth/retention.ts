import { LASH_CYCLE } from "./cycle";

/**
 * Share of placements whose natural lash is still there after some days, random phase of the cycle:
 * `S_nat(t) = 1 − t/(C − g)`, g the age below which a lash was left bare. `naturalSurvival(14)` → 0.844
 */
export function naturalSurvival(days: number, bareBelowDays = 0, cycleDays: number = LASH_CYCLE.cycleDays): number {
  return Math.max(0, 1 - days / (cycleDays - bareBelowDays));
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
