/**
 * The eyelash cycle. Thibaut et al., "Human eyelash characterization", Br J Dermatol 162 (2010) 304-310;
 * figures recalled from memory, sources disagree widely, so a studio may edit them.
 */
export const LASH_CYCLE = {
  anagenDays: 34,
  cycleDays: 90,
  cycleSdDays: 5,
  growthMmPerDay: 0.13,
} as const;

/**
 * Growth of one lash over some days, mm: none once it is full grown.
 * `grownMm(21, 5)` → 2.73; `grownMm(21, 0)` → 0 (a resting lash stays where it is)
 */
export function grownMm(days: number, growthLeftMm: number, growthMmPerDay: number = LASH_CYCLE.growthMmPerDay): number {
  return Math.min(Math.max(0, growthLeftMm), days * growthMmPerDay);
}
