/** What a zone may carry: lengths in mm, ascending, each with its distance to the look in micro-units (integers). */
export type ZoneChoices = readonly { readonly lengthMm: number; readonly distance: number }[];

export type LineLimits = {
  /** Most neighbours may differ, mm; Infinity leaves it open. */
  readonly stepMm: number;
  /** Least the last zone lies below the one before, mm; −Infinity leaves it open. */
  readonly outerDropMm: number;
};

export type LinePlan = {
  /** A length per zone, null where a zone has no choice and is left bare. */
  readonly lengthsMm: readonly (number | null)[];
  /** Distance to the look plus roughness, mm². */
  readonly objective: number;
};

/** Cost is reckoned in whole millionths of a mm², so that sums are exact and ties are real ties. */
export const MICRO = 1e6;
/** Weight of roughness: mm² for every mm that a step differs from the step before. */
export const ROUGHNESS_WEIGHT = 0.15;

/**
 * The best line of one layer: minimises Σ distance + w·Σ|x₋₁ − 2x + x₊₁| over stocked lengths, under the step and
 * outer-drop limits, exactly, by dynamic programming over pairs of neighbours. Of equal plans the one with the lesser
 * total length wins, then the shorter fibre nearest the inner corner. Bare zones cut the line: nothing is asked across
 * them. Null when the limits leave no plan. docs/planner.md has the objective in full.
 */
export function planLine(zones: readonly ZoneChoices[], limits: LineLimits): LinePlan | null {
  const lengthsMm: (number | null)[] = zones.map(() => null);
  let micro = 0;
  for (let from = 0; from < zones.length; from++) {
    if (!zones[from]?.length) continue;
    let to = from;
    while (zones[to + 1]?.length) to += 1;
    const run = planRun(zones.slice(from, to + 1), limits, to === zones.length - 1);
    if (!run) return null;
    run.lengthsMm.forEach((lengthMm, i) => (lengthsMm[from + i] = lengthMm));
    micro += run.micro;
    from = to;
  }
  return { lengthsMm, objective: micro / MICRO };
}

function planRun(zones: readonly ZoneChoices[], limits: LineLimits, endsAtCorner: boolean) {
  const n = zones.length;
  const last = n - 1;
  const at = (zone: number, choice: number) => zones[zone]![choice]!;
  const allowed = (zone: number, a: number, b: number) => {
    const [x, y] = [at(zone - 1, a).lengthMm, at(zone, b).lengthMm];
    return Math.abs(x - y) <= limits.stepMm + 1e-9 && !(endsAtCorner && zone === last && y > x - limits.outerDropMm + 1e-9);
  };
  // toGo[i][a·width + b]: least (cost, total length) of zones i+1.. when zone i−1 carries a and zone i carries b.
  // Zone −1 stands for nothing and has the one choice 0.
  const width = Math.max(...zones.map((zone) => zone.length));
  const cost = zones.map(() => new Float64Array(width * width).fill(Infinity));
  const total = zones.map(() => new Float64Array(width * width).fill(Infinity));
  const next = zones.map(() => new Int32Array(width * width).fill(-1));
  const before = (zone: number) => (zone === 0 ? 1 : zones[zone - 1]!.length);

  for (let i = last; i >= 0; i--) {
    for (let a = 0; a < before(i); a++) {
      for (let b = 0; b < zones[i]!.length; b++) {
        const slot = a * width + b;
        if (i > 0 && !allowed(i, a, b)) continue;
        if (i === last) {
          cost[i]![slot] = 0;
          total[i]![slot] = 0;
          continue;
        }
        for (let c = 0; c < zones[i + 1]!.length; c++) {
          const onward = b * width + c;
          if (cost[i + 1]![onward] === Infinity) continue;
          const { lengthMm: z, distance } = at(i + 1, c);
          const bend = i === 0 ? 0 : Math.abs(at(i - 1, a).lengthMm - 2 * at(i, b).lengthMm + z);
          const sum = cost[i + 1]![onward]! + distance + Math.round(MICRO * ROUGHNESS_WEIGHT * bend);
          const length = total[i + 1]![onward]! + z;
          // Choices ascend, so on a full tie the shorter one found first stays.
          if (sum < cost[i]![slot]! || (sum === cost[i]![slot]! && length < total[i]![slot]! - 1e-9)) {
            cost[i]![slot] = sum;
            total[i]![slot] = length;
            next[i]![slot] = c;
          }
        }
      }
    }
  }

  let best = -1;
  let bestCost = Infinity;
  let bestTotal = Infinity;
  for (let b = 0; b < zones[0]!.length; b++) {
    const sum = cost[0]![b]! + at(0, b).distance;
    const length = total[0]![b]! + at(0, b).lengthMm;
    if (sum < bestCost || (sum === bestCost && length < bestTotal - 1e-9)) {
      [best, bestCost, bestTotal] = [b, sum, length];
    }
  }
  if (bestCost === Infinity) return null;

  const choices = [best];
  for (let i = 0; i < last; i++) choices.push(next[i]![(i === 0 ? 0 : choices[i - 1]!) * width + choices[i]!]!);
  return { lengthsMm: choices.map((choice, i) => at(i, choice).lengthMm), micro: bestCost };
}
