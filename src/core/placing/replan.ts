import { otherSide } from "../eye";
import type { PlannedSpot } from "./placementPlan";
import { shown } from "./shows";
import { isSameSpot } from "./work";

/** What is still to be decided of a spot: its part of the look, what is placed, what one lash more takes, s. */
export type ToPlace = { readonly spot: PlannedSpot; readonly weight: number; readonly placed: number; readonly seconds: number };

export type Replan = {
  /** Lashes each spot ends with, in the order given. */
  readonly counts: readonly number[];
  readonly seconds: number;
  /** What of the whole look is there then, 0..1. */
  readonly look: number;
  /** Lashes by which mirrored zones stay further apart than one, because there is no time to even them. 0 where all are even. */
  readonly unevenLashes: number;
};

/** One spot, or two that mirror each other, with every way to go on. */
type Item = { readonly indexes: readonly number[]; readonly options: readonly Option[] };
type Option = { readonly counts: readonly number[]; readonly cost: number; readonly value: number; readonly apart: number };

/** Evenness before look: one lash too many apart weighs more than everything that can be shown. */
const APART_WEIGHS = 8;
const ROUNDING = 1e-9;

/**
 * Which lashes to place in the seconds there are, so that most of the look is there and both eyes are even: mirrored zones
 * within one lash of equal share, or as near as the time allows. Exact: a multiple-choice knapsack, solved by dynamic
 * programming over undominated states and bounded by its Lagrangian. The measure is a model of this product.
 */
export function replan(all: readonly ToPlace[], budgetS: number): Replan {
  const items = itemsOf(all);
  const chosen = solve(
    items.map(({ options }) => options),
    Math.max(0, budgetS),
  );
  const counts = all.map(({ placed }) => placed);
  let [seconds, unevenLashes] = [0, 0];
  items.forEach(({ indexes, options }, i) => {
    const option = options[chosen[i]!]!;
    indexes.forEach((index, k) => (counts[index] = option.counts[k]!));
    seconds += option.cost;
    unevenLashes += option.apart;
  });
  const look = all.reduce((sum, { spot, weight }, i) => sum + weight * shown(Math.min(1, counts[i]! / spot.planned)), 0);
  return { counts, seconds, look, unevenLashes: Math.round(unevenLashes) };
}

function itemsOf(all: readonly ToPlace[]): Item[] {
  const taken = new Set<number>();
  return all.flatMap((one, i): Item[] => {
    if (taken.has(i)) return [];
    taken.add(i);
    const j = all.findIndex(({ spot }, k) => !taken.has(k) && isSameSpot(spot, { ...one.spot, side: otherSide(one.spot.side) }));
    if (j < 0) return [{ indexes: [i], options: singles(one) }];
    taken.add(j);
    return [{ indexes: [i, j], options: pairs(one, all[j]!) }];
  });
}

const range = ({ placed, spot }: ToPlace): number[] => Array.from({ length: Math.max(0, spot.planned - placed) + 1 }, (_, k) => placed + k);
const gain = ({ weight, spot, placed }: ToPlace, count: number) =>
  weight * (shown(Math.min(1, count / spot.planned)) - shown(Math.min(1, placed / spot.planned)));

const singles = (one: ToPlace): Option[] =>
  range(one).map((count) => ({ counts: [count], cost: (count - one.placed) * one.seconds, value: gain(one, count), apart: 0 }));

/** Both counts of mirrored zones: no further apart than one lash's share, or than they are already. */
function pairs(a: ToPlace, b: ToPlace): Option[] {
  const oneLash = 1 / Math.min(a.spot.planned, b.spot.planned);
  const apartOf = (m: number, n: number) => Math.max(0, Math.abs(m / a.spot.planned - n / b.spot.planned) - oneLash) / oneLash;
  const now = apartOf(a.placed, b.placed);
  return range(a).flatMap((m) =>
    range(b).flatMap((n): Option[] => {
      const apart = apartOf(m, n) < ROUNDING ? 0 : apartOf(m, n);
      if (apart > now + ROUNDING) return [];
      const cost = (m - a.placed) * a.seconds + (n - b.placed) * b.seconds;
      return [{ counts: [m, n], cost, value: gain(a, m) + gain(b, n) - APART_WEIGHS * apart, apart }];
    }),
  );
}

/** One option of each group, of the greatest value together, within a budget. Returns their indexes. */
function solve(groups: readonly (readonly Option[])[], budget: number): number[] {
  const reduced = (lambda: number) => groups.map((options) => Math.max(...options.map(({ value, cost }) => value - lambda * cost)));
  const lambda = bestMultiplier(groups, budget);
  const best = reduced(lambda);
  const after = [...best.keys()].map((i) => best.slice(i + 1).reduce((sum, value) => sum + value, 0));
  let floor = valueOf(groups, byRatio(groups, budget));
  const ceiling = lambda * budget + best.reduce((sum, value) => sum + value, 0);
  // An option that the bound rules out by itself is in no best plan.
  const open = groups.map((options, i) =>
    options.flatMap((option, index) =>
      ceiling - best[i]! + option.value - lambda * option.cost >= floor - ROUNDING ? [{ ...option, index }] : [],
    ),
  );
  type State = { readonly cost: number; readonly value: number; readonly index: number; readonly before: State | null };
  let states: State[] = [{ cost: 0, value: 0, index: -1, before: null }];
  groups.forEach((_, i) => {
    const next: State[] = [];
    for (const state of states)
      for (const { cost, value, index } of open[i]!) {
        const to = { cost: state.cost + cost, value: state.value + value, index, before: state };
        if (to.cost <= budget + ROUNDING && to.value + lambda * (budget - to.cost) + after[i]! >= floor - ROUNDING) next.push(to);
      }
    next.sort((a, b) => a.cost - b.cost || b.value - a.value);
    states = [];
    for (const state of next) if (states.length === 0 || state.value > states.at(-1)!.value) states.push(state);
    if (i === groups.length - 1) floor = Math.max(floor, states.at(-1)?.value ?? floor);
  });
  const chosen: number[] = [];
  for (let state: State | null = states.at(-1) ?? null; state?.before; state = state.before) chosen.unshift(state.index);
  return chosen;
}

const valueOf = (groups: readonly (readonly Option[])[], chosen: readonly number[]) =>
  groups.reduce((sum, options, i) => sum + options[chosen[i]!]!.value, 0);

/** The multiplier at which the Lagrangian bound is least, by halving: the price of a second. */
function bestMultiplier(groups: readonly (readonly Option[])[], budget: number): number {
  const costAt = (lambda: number) =>
    groups.reduce((sum, options) => {
      let [most, cost] = [-Infinity, 0];
      for (const option of options) {
        const reduced = option.value - lambda * option.cost;
        if (reduced > most + 1e-15) [most, cost] = [reduced, option.cost];
      }
      return sum + cost;
    }, 0);
  if (costAt(0) <= budget) return 0;
  let [low, high] = [0, 1];
  while (costAt(high) > budget && high < 1e9) high *= 2;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (costAt(middle) > budget) low = middle;
    else high = middle;
  }
  return high;
}

/** A good plan to begin with: step by step the change that gives most for its time. */
function byRatio(groups: readonly (readonly Option[])[], budget: number): number[] {
  const chosen = groups.map((options) => options.reduce((least, option, i) => (option.cost < options[least]!.cost ? i : least), 0));
  let left = budget - groups.reduce((sum, options, i) => sum + options[chosen[i]!]!.cost, 0);
  for (;;) {
    let best: { group: number; index: number; ratio: number; cost: number } | null = null;
    groups.forEach((options, group) => {
      const now = options[chosen[group]!]!;
      options.forEach((option, index) => {
        const cost = option.cost - now.cost;
        const ratio = (option.value - now.value) / Math.max(cost, 1e-12);
        if (cost > 0 && cost <= left + ROUNDING && option.value > now.value && (!best || ratio > best.ratio))
          best = { group, index, ratio, cost };
      });
    });
    if (!best) return chosen;
    const { group, index, cost } = best as { group: number; index: number; cost: number };
    chosen[group] = index;
    left -= cost;
  }
}

/** What must be kept whole of the time that is left, s. */
export type KeptWhole = {
  /** Checks that come at the end, drying and until the eyes may open. */
  readonly endS: number;
  /** A change of the bead with its brush-through and look at the eyes, how long a bead lives, and how long this one has left. */
  readonly changeS: number;
  readonly beadLifeS: number;
  readonly beadLeftS: number;
};

/** Seconds of placing in a time that is left, once checks, drying and eye-opening are taken off whole; and how many beads that takes more. */
export function placingTime(
  totalS: number,
  { endS, changeS, beadLifeS, beadLeftS }: KeptWhole,
): { readonly seconds: number; readonly beads: number } {
  const room = totalS - endS;
  let best = { seconds: Math.max(0, Math.min(room, Math.max(0, beadLeftS))), beads: 0 };
  for (let beads = 1; beads <= 40; beads++) {
    const seconds = Math.min(room - beads * changeS, Math.max(0, beadLeftS) + beads * beadLifeS);
    if (seconds > best.seconds) best = { seconds, beads };
  }
  return best;
}
