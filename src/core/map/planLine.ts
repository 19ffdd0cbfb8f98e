/**
 * What a zone may carry: lengths in mm, ascending, each with its distance to the look and, where limits may be broken,
 * by how much it breaks them; both in micro-units (integers).
 */
export type ZoneChoices = readonly { readonly lengthMm: number; readonly distance: number; readonly breach?: number }[];

export type LineLimits = {
  /** Most neighbours may differ, mm; Infinity leaves it open. */
  readonly stepMm: number;
  /** Least the last zone lies below the one before, mm; −Infinity leaves it open. */
  readonly outerDropMm: number;
  /** Limits may be broken, as little as can be: the least total breach comes before the look. */
  readonly soft?: boolean;
};

export type LinePlan = {
  /** A length per zone, null where a zone has no choice and is left bare. */
  readonly lengthsMm: readonly (number | null)[];
  /** Distance to the look plus roughness, mm². */
  readonly objective: number;
  /** How far limits are broken in all, mm and load index added up; 0 unless soft. */
  readonly breach: number;
};

/** Cost is reckoned in whole millionths of a mm², so that sums are exact and ties are real ties. */
export const MICRO = 1e6;
/** Weight of roughness: mm² for every mm that a step differs from the step before. */
export const ROUGHNESS_WEIGHT = 0.15;

/**
 * The best line of one layer: minimises Σ distance + w·Σ|x₋₁ − 2x + x₊₁| over stocked lengths, under the step and
 * outer-drop limits, exactly, by dynamic programming over pairs of neighbours. Where the limits are soft, the least total
 * breach comes first and the look second. Of equal plans the one with the lesser total length wins, then the shorter
 * fibre nearest the inner corner. Bare zones cut the line: nothing is asked across them. Null when hard limits leave no
 * plan. docs/planner.md has the objective in full.
 */
export function planLine(zones: readonly ZoneChoices[], limits: LineLimits): LinePlan | null {
  const lengthsMm: (number | null)[] = zones.map(() => null);
  let micro = 0;
  let breach = 0;
  for (let from = 0; from < zones.length; from++) {
    if (!zones[from]?.length) continue;
    let to = from;
    while (zones[to + 1]?.length) to += 1;
    const run = planRun(zones.slice(from, to + 1), limits, to === zones.length - 1);
    if (!run) return null;
    run.lengthsMm.forEach((lengthMm, i) => (lengthsMm[from + i] = lengthMm));
    micro += run.micro;
    breach += run.breach;
    from = to;
  }
  return { lengthsMm, objective: micro / MICRO, breach: breach / MICRO };
}

function planRun(zones: readonly ZoneChoices[], limits: LineLimits, endsAtCorner: boolean) {
  const n = zones.length;
  const last = n - 1;
  const at = (zone: number, choice: number) => zones[zone]![choice]!;
  /** How far zone `zone` carrying b after a breaks step and outer drop, micro-mm. */
  const between = (zone: number, a: number, b: number) => {
    const [x, y] = [at(zone - 1, a).lengthMm, at(zone, b).lengthMm];
    const step = Math.max(0, Math.abs(x - y) - limits.stepMm);
    const drop = endsAtCorner && zone === last ? Math.max(0, y - (x - limits.outerDropMm)) : 0;
    return step + drop < 1e-9 ? 0 : Math.round(MICRO * (step + drop));
  };
  // For zones i+1.. when zone i−1 carries a and zone i carries b, in slot a·width + b: the least (breach, cost, total
  // length). Zone −1 stands for nothing and has the one choice 0.
  const width = Math.max(...zones.map((zone) => zone.length));
  const make = (value: number) => zones.map(() => new Float64Array(width * width).fill(value));
  const [breach, cost, total] = [make(Infinity), make(Infinity), make(Infinity)];
  const next = zones.map(() => new Int32Array(width * width).fill(-1));
  const before = (zone: number) => (zone === 0 ? 1 : zones[zone - 1]!.length);

  for (let i = last; i >= 0; i--) {
    for (let a = 0; a < before(i); a++) {
      for (let b = 0; b < zones[i]!.length; b++) {
        const slot = a * width + b;
        const broken = i > 0 ? between(i, a, b) : 0;
        if (broken > 0 && !limits.soft) continue;
        if (i === last) {
          breach[i]![slot] = broken;
          cost[i]![slot] = 0;
          total[i]![slot] = 0;
          continue;
        }
        for (let c = 0; c < zones[i + 1]!.length; c++) {
          const onward = b * width + c;
          if (cost[i + 1]![onward] === Infinity) continue;
          const { lengthMm: z, distance, breach: over = 0 } = at(i + 1, c);
          const bend = i === 0 ? 0 : Math.abs(at(i - 1, a).lengthMm - 2 * at(i, b).lengthMm + z);
          const sumBreach = breach[i + 1]![onward]! + over + broken;
          const sum = cost[i + 1]![onward]! + distance + Math.round(MICRO * ROUGHNESS_WEIGHT * bend);
          const length = total[i + 1]![onward]! + z;
          // Choices ascend, so on a full tie the shorter one found first stays.
          if (less(sumBreach, sum, length, breach[i]![slot]!, cost[i]![slot]!, total[i]![slot]!)) {
            breach[i]![slot] = sumBreach;
            cost[i]![slot] = sum;
            total[i]![slot] = length;
            next[i]![slot] = c;
          }
        }
      }
    }
  }

  let best = -1;
  let bestBreach = Infinity;
  let bestCost = Infinity;
  let bestTotal = Infinity;
  for (let b = 0; b < zones[0]!.length; b++) {
    if (cost[0]![b] === Infinity) continue;
    const { lengthMm, distance, breach: over = 0 } = at(0, b);
    const sumBreach = breach[0]![b]! + over;
    const sum = cost[0]![b]! + distance;
    const length = total[0]![b]! + lengthMm;
    if (less(sumBreach, sum, length, bestBreach, bestCost, bestTotal))
      [best, bestBreach, bestCost, bestTotal] = [b, sumBreach, sum, length];
  }
  if (best < 0) return null;

  const choices = [best];
  for (let i = 0; i < last; i++) choices.push(next[i]![(i === 0 ? 0 : choices[i - 1]!) * width + choices[i]!]!);
  return { lengthsMm: choices.map((choice, i) => at(i, choice).lengthMm), micro: bestCost, breach: bestBreach };
}

/** Is (breach, cost, total length) the lesser in that order? */
function less(breachA: number, costA: number, totalA: number, breachB: number, costB: number, totalB: number): boolean {
  if (breachA !== breachB) return breachA < breachB;
  if (costA !== costB) return costA < costB;
  return totalA < totalB - 1e-9;
}
