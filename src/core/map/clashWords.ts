import type { PlanLimit } from "./planMap";

const WORDS: Readonly<Record<PlanLimit, string>> = {
  outerDrop: "the drop at the outer corner",
  step: "the step between neighbours",
  load: "the load limit",
  overLength: "the over-length limit",
};

/** Which limits could not hold together, as a sentence; null when none clash. */
export function clashWords(clash: readonly PlanLimit[]): string | null {
  if (clash.length === 0) return null;
  return `The lengths in stock cannot keep all limits at once: this plan gives up ${clash.map((limit) => WORDS[limit]).join(" and ")}.`;
}
