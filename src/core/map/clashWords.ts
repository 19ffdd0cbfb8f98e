import { formatMm } from "../units";
import type { LimitCost, MapPlan } from "./planMap";
import type { PlanLimit } from "./planZones";

export const LIMIT_WORDS: Readonly<Record<PlanLimit, string>> = {
  outerDrop: "the drop at the outer corner",
  step: "the step between neighbours",
  corner: "the corners' own length",
  load: "the load limit",
  overLength: "the over-length limit",
};

const list = (words: readonly string[]) => (words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`);
const amount = (limit: PlanLimit, by: number) => (limit === "load" ? `${by.toFixed(2)} × past the stop` : `${formatMm(by)} mm`);

/** Which limits could not hold together and what the plan given breaks, as two sentences; null when none clash. */
export function clashWords({ clash, breaches }: Pick<MapPlan, "clash" | "breaches">): string | null {
  if (breaches.length === 0) return null;
  const limits = [...new Set(breaches.map(({ limit }) => limit))];
  const broken = limits.map((limit) => {
    const worst = Math.max(...breaches.filter((breach) => breach.limit === limit).map(({ by }) => by));
    return `${LIMIT_WORDS[limit]} by ${amount(limit, worst)}`;
  });
  const named = clash.length > 1 ? clash : limits;
  const cannot =
    named.length > 1
      ? `The lengths in stock cannot keep ${list(named.map((limit) => LIMIT_WORDS[limit]))} at once.`
      : "The lengths in stock cannot keep all limits at once.";
  return `${cannot} The plan that breaks least misses ${list(broken)}.`;
}

/** What a limit cost a plan, as a sentence. */
export function limitCostWords({ limit, costMm2, longerZones, longestMm }: LimitCost, hungFromMm: number): string {
  const name = LIMIT_WORDS[limit].replace(/^./, (letter) => letter.toUpperCase());
  const cost = costMm2 > 0.005 ? ` costs the look ${costMm2.toFixed(1)} mm²` : " costs the look nothing as it hangs";
  const zones = longerZones > 0 ? `, ${longerZones === 1 ? "one zone" : `${longerZones} zones`} would be longer without it` : "";
  const hang = longestMm > hungFromMm ? `; without it the longest could be ${formatMm(longestMm)} mm` : "";
  return `${name}${cost}${zones}${hang}.`;
}
