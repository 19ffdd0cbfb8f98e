import { formatMm, sentence } from "../units";
import { ZONE_WORDS } from "./layers";
import { LOOKS } from "./looks";
import type { Breach } from "./planBreaches";
import type { Cut } from "./planCuts";
import type { LimitCost, MapPlan } from "./planMap";
import type { PlanLimit } from "./planZones";
import { listed, stretchWords, zonesWords, type Stretch } from "./stretchWords";

export const LIMIT_WORDS: Readonly<Record<PlanLimit, string>> = {
  overLength: "the over-length limit",
  load: "the load limit",
  natural: "the natural lash as the least",
  outerDrop: "the drop at the outer corner",
  corner: "the corners' own length",
  step: "the step between neighbours",
};

/** What a plan could not keep, each as a sentence with place and amount: limits first, then wishes. Empty as a rule. */
export function planWords({ map, breaches, cuts }: Pick<MapPlan, "map" | "breaches" | "cuts">): string[] {
  const roleOf = ({ side, layer }: Breach) => map.eyes[side].layers[layer]!.role;
  const kinds = [...new Set(breaches.map((breach) => `${breach.limit} ${roleOf(breach)}`))];
  const limits = kinds.map((kind) => {
    const all = breaches.filter((breach) => `${breach.limit} ${roleOf(breach)}` === kind);
    const [first] = all;
    const where = all.map(({ side, zones }): Stretch => ({ side, zones }));
    return breachWords(first!.limit, Math.max(...all.map(({ by }) => by)), stretchWords(where, ZONE_WORDS[roleOf(first!)]));
  });
  return [...limits, ...cuts.map(cutWords)];
}

function breachWords(limit: PlanLimit, by: number, where: string): string {
  const mm = `${formatMm(by)} mm`;
  const words: Readonly<Record<PlanLimit, string>> = {
    overLength: `Nothing in stock is short enough: ${mm} past the over-length limit, ${where}.`,
    load: `Nothing in stock is light enough: ${by.toFixed(2)} × past the stop, ${where}.`,
    natural: `Shorter than the natural lash: the longest these lashes can carry in this fibre, ${where}. A finer fibre could be longer.`,
    outerDrop: `The drop at the outer corner misses by ${mm}, ${where}: its own lashes leave no more.`,
    corner: `The corner stands ${mm} over its lashes, ${where}.`,
    step: `The step is ${mm} over the limit, ${where}: their own lashes ask for it. Cut the zone in two to soften it.`,
  };
  return words[limit];
}

function cutWords(cut: Cut): string {
  if (cut.wish === "longest")
    return `${formatMm(cut.wishedMm)} mm wished at the longest; ${formatMm(cut.givenMm)} is what these lashes and limits allow, ${stretchWords(cut.where)}.`;
  if (cut.wish === "texture") return `Long on the lines and short between cannot be kept everywhere: ${stretchWords(cut.where)}.`;
  if (cut.wish === "look")
    return (
      `These lashes leave no room for ${LOOKS[cut.look].label}: the longest lies in ${stretchWords(cut.where)}.` +
      (cut.instead ? ` ${sentence(LOOKS[cut.instead].label)} would suit them.` : "")
    );
  const given = cut.given.map(({ overMm, where }) => {
    const [first, second] = where;
    const alike = where.length === 2 && first!.zones.join() === second!.zones.join();
    return `+${overMm} ${alike ? zonesWords(first!.zones, "accent") : stretchWords(where, "accent")}`.replace("+-", "−");
  });
  return `+${cut.wishedMm} wished for the accents; ${listed(given)}.${cut.unseen ? " So little is not seen: better no accents here." : ""}`;
}

/** What a limit cost a plan, as a sentence. */
export function limitCostWords({ limit, costMm2, longerZones, longestMm }: LimitCost, hungFromMm: number): string {
  const name = sentence(LIMIT_WORDS[limit]);
  const cost = costMm2 > 0.005 ? ` costs the look ${costMm2.toFixed(1)} mm²` : " costs the look nothing as it hangs";
  const zones = longerZones > 0 ? `, ${longerZones === 1 ? "one zone" : `${longerZones} zones`} would be longer without it` : "";
  const hang = longestMm > hungFromMm ? `; without it the longest could be ${formatMm(longestMm)} mm` : "";
  return `${name}${cost}${zones}${hang}.`;
}
