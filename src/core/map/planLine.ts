import {
  asksStep,
  brokenBetween,
  givenUpBy,
  halves,
  inLook,
  levelOf,
  MICRO,
  RANKS,
  ROUGHNESS_WEIGHT,
  runsOf,
  TEXTURE_WEIGHT,
  textureLost,
  type GivenUp,
  type LineLimits,
  type LineZone,
} from "./line";

export type LinePlan = {
  /** A length per zone and eye, null where a zone has no choice and is left bare. */
  readonly lengthsMm: readonly (readonly number[] | null)[];
  readonly givenUp: GivenUp;
  /** Distance to the look, roughness and texture lost, mm². */
  readonly objective: number;
};

/**
 * The best line of one layer, exactly, by dynamic programming over neighbours and whether the line has begun to fall:
 * gives up as little as can be in the order of RANKS, then minimises Σ distance + w·Σ|x₋₁ − 2x + x₊₁| + texture lost.
 * Of equal plans the one with the lesser total length wins, then the shorter fibre nearest the inner corner. Bare zones
 * cut the line: nothing is asked across them. docs/planner.md has the objective in full.
 */
export function planLine(zones: readonly LineZone[], limits: LineLimits): LinePlan {
  const lengthsMm: (readonly number[] | null)[] = zones.map(() => null);
  let micro = 0;
  const givenUp = { dropMm: 0, cornerMm: 0, stepMm: 0, accentMm: 0, dipMm: 0 };
  for (const run of runsOf(zones)) {
    const { chosen, cost } = planRun(run.zones, limits, run.toCorner);
    chosen.forEach((choice, i) => (lengthsMm[run.from + i] = choice.lengthsMm));
    micro += cost;
    const parts = givenUpBy(run.zones, chosen, limits, run.toCorner);
    for (const part of Object.keys(givenUp) as (keyof GivenUp)[]) givenUp[part] += parts[part];
  }
  return { lengthsMm, givenUp, objective: micro / MICRO };
}

function planRun(zones: readonly LineZone[], limits: LineLimits, toCorner: boolean) {
  const last = zones.length - 1;
  const levels = zones.map(({ choices }) => choices.map(levelOf));
  const width = Math.max(...zones.map(({ choices }) => choices.length));
  // What is to come past zone i when zone i−1 carries a, zone i carries b and the line has fallen (1) or not (0), in slot
  // (a·width + b)·2 + fallen: the least (given up, cost, total length). Before zone 0 there is the one choice 0.
  const make = (value: number) => zones.map(() => new Float64Array(width * width * 2).fill(value));
  const [given, cost, total] = [make(Infinity), make(Infinity), make(Infinity)];
  const next = zones.map(() => new Int32Array(width * width * 2).fill(-1));
  const ownGiven = (zone: number, choice: number) => {
    const { belowMm = 0, shortMm = 0 } = zones[zone]!.choices[choice]!;
    return RANKS.corner * halves(belowMm) + RANKS.accent * halves(shortMm);
  };
  const before = (zone: number) => (zone === 0 ? 1 : zones[zone - 1]!.choices.length);

  for (let i = last; i >= 0; i--) {
    const here = zones[i]!.choices;
    if (i === last) {
      given[i]!.fill(0);
      cost[i]!.fill(0);
      total[i]!.fill(0);
      continue;
    }
    const there = zones[i + 1]!.choices;
    const look = inLook(zones, i + 1);
    const stepped = asksStep(zones, i + 1);
    for (let b = 0; b < here.length; b++)
      for (let c = 0; c < there.length; c++) {
        const broken = brokenBetween(here[b]!, there[c]!, limits, toCorner && i + 1 === last, stepped);
        const rise = levels[i + 1]![c]! - levels[i]![b]!;
        const always = RANKS.drop * halves(broken.dropMm) + RANKS.step * halves(broken.stepMm) + ownGiven(i + 1, c);
        const lost = textureLost(zones[i]!, zones[i + 1]!, rise);
        const distance = there[c]!.distance + Math.round(MICRO * TEXTURE_WEIGHT * lost * there[c]!.lengthsMm.length);
        for (let fallen = 0; fallen < 2; fallen++) {
          const dips = look && fallen === 1 && rise > 0 ? RANKS.dip * halves(rise) : 0;
          const onward = (b * width + c) * 2 + (look && rise < 0 ? 1 : fallen);
          const sumGiven = given[i + 1]![onward]! + always + dips;
          const length = total[i + 1]![onward]! + levels[i + 1]![c]!;
          for (let a = 0; a < before(i); a++) {
            const bend = i === 0 ? 0 : Math.abs(levels[i - 1]![a]! - 2 * levels[i]![b]! + levels[i + 1]![c]!);
            const sum = cost[i + 1]![onward]! + distance + Math.round(MICRO * ROUGHNESS_WEIGHT * bend);
            const slot = (a * width + b) * 2 + fallen;
            // Choices ascend, so on a full tie the shorter one found first stays.
            if (less(sumGiven, sum, length, given[i]![slot]!, cost[i]![slot]!, total[i]![slot]!)) {
              given[i]![slot] = sumGiven;
              cost[i]![slot] = sum;
              total[i]![slot] = length;
              next[i]![slot] = c;
            }
          }
        }
      }
  }

  let best = 0;
  let least: [number, number, number] = [Infinity, Infinity, Infinity];
  zones[0]!.choices.forEach(({ distance }, b) => {
    const slot = b * 2;
    const sums: typeof least = [given[0]![slot]! + ownGiven(0, b), cost[0]![slot]! + distance, total[0]![slot]! + levels[0]![b]!];
    if (less(...sums, ...least)) [best, least] = [b, sums];
  });

  const chosen = [best];
  let fallen = 0;
  for (let i = 0; i < last; i++) {
    const [a, b] = [i === 0 ? 0 : chosen[i - 1]!, chosen[i]!];
    const c = next[i]![(a * width + b) * 2 + fallen]!;
    if (inLook(zones, i + 1) && levels[i + 1]![c]! < levels[i]![b]!) fallen = 1;
    chosen.push(c);
  }
  return { chosen: chosen.map((choice, i) => zones[i]!.choices[choice]!), cost: least[1] };
}

/** Is (given up, cost, total length) the lesser in that order? */
function less(givenA: number, costA: number, totalA: number, givenB: number, costB: number, totalB: number): boolean {
  if (givenA !== givenB) return givenA < givenB;
  if (costA !== costB) return costA < costB;
  return totalA < totalB - 1e-9;
}
