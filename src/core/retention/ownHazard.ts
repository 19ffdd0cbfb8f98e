import { naturalSurvival, USUAL_BOND_HAZARD, type Hazard, type Unsure } from "../growth";
import type { Count } from "./shareLeft";

/** Bonds lost a day by clients of a studio: the middle one, and how far they lie apart, as a standard deviation of the log. */
export type HazardOfClients = { readonly perDay: number; readonly spread: number };
/** Until a studio's own is known. A model of this product. */
export const USUAL_CLIENTS: HazardOfClients = { perDay: USUAL_BOND_HAZARD, spread: 0.5 };

/** By what the bonds a client loses are known: so many fills of the client's own, the studio's, or nothing yet. */
export type HazardFrom = { readonly of: "client"; readonly fills: number } | { readonly of: "studio" | "usual" };
export const hazardFrom = (own: readonly unknown[], clients: HazardOfClients): HazardFrom =>
  own.length > 0 ? { of: "client", fills: own.length } : { of: clients === USUAL_CLIENTS ? "usual" : "studio" };

/** One set of a client as its fill found it. */
export type OwnFill = Count & { readonly days: number; readonly bareBelowDays: number };

/** Lashes of one set do not fall one by one: counts scatter so many times as widely as a binomial's. A model of this product. */
const SCATTER = 2;
/** How far about the middle it is looked, in spreads, and in how many steps; of the cycle likewise, in standard deviations. */
const [REACH, STEPS, CYCLE_STEPS] = [4, 160, 8];

/**
 * Bonds this client loses a day, with the bounds that hold it in 95 of 100: what clients of the studio lose, moved by the
 * client's own fills as far as they say something. Without a fill it is what anybody may lose. The cycle is not known and is
 * one for all fills of a client.
 */
export function ownHazard(fills: readonly OwnFill[], clients: HazardOfClients, cycle: Unsure): Hazard {
  const logs = Array.from({ length: STEPS + 1 }, (_, i) => ((2 * i) / STEPS - 1) * REACH);
  const used = fills.filter(({ worn, left, days }) => worn > 0 && left <= worn && days > 0);
  const weights = logs.map((z) => Math.exp((-z * z) / 2));
  if (used.length > 0) {
    const sums = logs.map(() => [] as number[]);
    for (let step = -CYCLE_STEPS; step <= CYCLE_STEPS; step++) {
      const z = (step / CYCLE_STEPS) * 3;
      const cycleDays = cycle.mean + z * cycle.sd;
      logs.forEach((log, i) => {
        const hazard = clients.perDay * Math.exp(log * clients.spread);
        sums[i]!.push(likelihood(used, hazard, cycleDays) - (z * z) / 2);
      });
    }
    const top = Math.max(...sums.flat());
    sums.forEach((some, i) => (weights[i]! *= some.reduce((sum, log) => sum + Math.exp(log - top), 0)));
  }
  const at = quantileOf(logs, weights);
  const hazard = (share: number) => clients.perDay * Math.exp(at(share) * clients.spread);
  return { mid: hazard(0.5), low: hazard(0.025), high: hazard(0.975) };
}

function likelihood(fills: readonly OwnFill[], hazardPerDay: number, cycleDays: number): number {
  return fills.reduce((sum, { left, worn, days, bareBelowDays }) => {
    const natural = naturalSurvival(days, Math.min(bareBelowDays, cycleDays / 2), cycleDays);
    const on = Math.min(1 - 1e-9, Math.max(1e-9, natural * Math.exp(-hazardPerDay * days)));
    return sum + (left * Math.log(on) + (worn - left) * Math.log(1 - on)) / SCATTER;
  }, 0);
}

/** Where the weight up to a place passes a share of all, between the places. */
function quantileOf(places: readonly number[], weights: readonly number[]): (share: number) => number {
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  return (share) => {
    let below = 0;
    for (let i = 0; i < places.length; i++) {
      const next = below + weights[i]! / all;
      if (next >= share) {
        const width = places[1]! - places[0]!;
        return places[i]! - width / 2 + (width * (share - below)) / Math.max(1e-12, next - below);
      }
      below = next;
    }
    return places.at(-1)!;
  };
}
