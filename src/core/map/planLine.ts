/** One length of one zone: worn by one eye, or by both where a line is planned for both. */
export type LineChoice = {
  /** mm, one for each eye planned together. */
  readonly lengthsMm: readonly number[];
  /** Distance to the look, micro-mm² (integer). */
  readonly distance: number;
  /** How far it lies below what matches its corner, mm, eyes added up. */
  readonly belowMm?: number;
  /** How far short of their least the accents over it come, mm, eyes added up. */
  readonly shortMm?: number;
};

/** A zone with what it may carry, ascending; no choice leaves it bare. */
export type LineZone = {
  readonly choices: readonly LineChoice[];
  /** A corner's own lashes decide its length: it is no part of the look and of its dips. */
  readonly corner?: boolean;
  /** Textures long on the marks and short between: on a mark it stands out over its neighbours between. */
  readonly mark?: "on" | "between";
  /** Its lashes are told apart by their own length, so that it has no one length to step from. */
  readonly byLash?: boolean;
};

export type LineLimits = {
  /** Most neighbours may differ, mm; Infinity leaves it open. */
  readonly stepMm: number;
  /** Least the last zone lies below the one before, mm; −Infinity leaves it open. */
  readonly outerDropMm: number;
  /** The same where the last zone is as long as LONG_END_MM or longer; absent is no different. */
  readonly longEndDropMm?: number;
};

/** What a line gives up, eyes added up, mm. */
export type GivenUp = {
  readonly dropMm: number;
  readonly cornerMm: number;
  readonly stepMm: number;
  readonly accentMm: number;
  readonly dipMm: number;
};

export type LinePlan = {
  /** A length per zone and eye, null where a zone has no choice and is left bare. */
  readonly lengthsMm: readonly (readonly number[] | null)[];
  readonly givenUp: GivenUp;
  /** Distance to the look, roughness and texture lost, mm². */
  readonly objective: number;
};

/** Cost is reckoned in whole millionths of a mm², so that sums are exact and ties are real ties. */
export const MICRO = 1e6;
/** Weight of roughness: mm² for every mm that a step differs from the step before. */
export const ROUGHNESS_WEIGHT = 0.15;
/** Weight of a texture: mm² an eye for every mm that a mark stands out less than TEXTURE_MM over a neighbour between. */
export const TEXTURE_WEIGHT = 4.5;
/** A texture of steps is seen from this difference on, mm. Common practice: 1 to 2. */
export const TEXTURE_MM = 1;
/** From this length on the last zone drops further. Common practice. */
export const LONG_END_MM = 12;

/**
 * What gives way, in order: the outer drop last of all, then a corner's match, the step, the accents' least, dips. Each is
 * counted in half millimetres with a weight that no sum of lesser ones reaches (1,024 mm), so that one number orders them.
 */
export const RANKS = { drop: 2 ** 42, corner: 2 ** 34, step: 2 ** 23, accent: 2 ** 11, dip: 1 } as const;
const halves = (mm: number) => Math.ceil(2 * mm - 1e-6);

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

/** Stretches without a bare zone, each with where it begins and whether it runs to the outer corner. */
function runsOf(zones: readonly LineZone[]) {
  const runs: { from: number; zones: LineZone[]; toCorner: boolean }[] = [];
  zones.forEach((zone, i) => {
    if (zone.choices.length === 0) return;
    if (i === 0 || zones[i - 1]!.choices.length === 0) runs.push({ from: i, zones: [], toCorner: false });
    const run = runs.at(-1)!;
    run.zones.push(zone);
    run.toCorner = i === zones.length - 1;
  });
  return runs;
}

const levelOf = ({ lengthsMm }: LineChoice) => lengthsMm.reduce((sum, mm) => sum + mm, 0) / lengthsMm.length;

/** The drop a last zone of a length wants, mm. */
export const outerDropAt = (lengthMm: number, { outerDropMm, longEndDropMm = outerDropMm }: LineLimits): number =>
  lengthMm >= LONG_END_MM ? longEndDropMm : outerDropMm;

/** How far a step from one choice to the next breaks drop and step, eyes added up, mm. */
function brokenBetween(a: LineChoice, b: LineChoice, limits: LineLimits, outermost: boolean, stepped: boolean) {
  let [dropMm, stepMm] = [0, 0];
  for (let eye = 0; eye < b.lengthsMm.length; eye++) {
    const [x, y] = [a.lengthsMm[eye]!, b.lengthsMm[eye]!];
    if (stepped) stepMm += Math.max(0, Math.abs(x - y) - limits.stepMm);
    if (outermost) dropMm += Math.max(0, y - (x - outerDropAt(y, limits)));
  }
  return { dropMm, stepMm };
}

function givenUpBy(zones: readonly LineZone[], chosen: readonly LineChoice[], limits: LineLimits, toCorner: boolean): GivenUp {
  const sum = { dropMm: 0, cornerMm: 0, stepMm: 0, accentMm: 0, dipMm: 0 };
  let fallen = false;
  chosen.forEach((choice, i) => {
    sum.cornerMm += choice.belowMm ?? 0;
    sum.accentMm += choice.shortMm ?? 0;
    const before = chosen[i - 1];
    if (!before) return;
    const broken = brokenBetween(before, choice, limits, toCorner && i === chosen.length - 1, isStepped(zones, i));
    sum.dropMm += broken.dropMm;
    sum.stepMm += broken.stepMm;
    if (!inLook(zones, i)) return;
    const rise = levelOf(choice) - levelOf(before);
    if (fallen && rise > 0) sum.dipMm += rise;
    if (rise < 0) fallen = true;
  });
  return sum;
}

const isStepped = (zones: readonly LineZone[], i: number) => !zones[i]!.byLash && !zones[i - 1]!.byLash;

/** Is the step up to this zone one of the look's own, where a dip would show? Corners and textures of steps are not. */
const inLook = (zones: readonly LineZone[], i: number) =>
  !zones[i]!.corner && !zones[i - 1]!.corner && !zones[i]!.mark && !zones[i - 1]!.mark;

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
    const stepped = isStepped(zones, i + 1);
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

/** How much less than TEXTURE_MM a mark stands out over its neighbour between, mm; 0 where there is no texture. */
function textureLost(a: LineZone, b: LineZone, rise: number): number {
  if (!a.mark || !b.mark || a.mark === b.mark) return 0;
  return Math.max(0, TEXTURE_MM - (b.mark === "on" ? rise : -rise));
}

/** Is (given up, cost, total length) the lesser in that order? */
function less(givenA: number, costA: number, totalA: number, givenB: number, costB: number, totalB: number): boolean {
  if (givenA !== givenB) return givenA < givenB;
  if (costA !== costB) return costA < costB;
  return totalA < totalB - 1e-9;
}

/**
 * The lengths each zone can have in a line that gives up as little drop, corner and step as any: what a look may be hung
 * from. Levels in mm (the mean of both eyes where a line is planned for both), ascending.
 */
export function reachable(zones: readonly LineZone[], limits: LineLimits): number[][] {
  const reached: number[][] = zones.map(() => []);
  for (const { from, zones: run, toCorner } of runsOf(zones)) {
    const own = (i: number, c: number) => RANKS.corner * halves(run[i]!.choices[c]!.belowMm ?? 0);
    const between = (i: number, a: number, b: number) => {
      const broken = brokenBetween(
        run[i - 1]!.choices[a]!,
        run[i]!.choices[b]!,
        limits,
        toCorner && i === run.length - 1,
        isStepped(run, i),
      );
      return RANKS.drop * halves(broken.dropMm) + RANKS.step * halves(broken.stepMm);
    };
    const inwards = run.map(({ choices }, i) => choices.map((_, c) => own(i, c)));
    const outwards = run.map(({ choices }) => choices.map(() => 0));
    for (let i = 1; i < run.length; i++)
      inwards[i] = inwards[i]!.map((mine, c) => mine + Math.min(...inwards[i - 1]!.map((sum, a) => sum + between(i, a, c))));
    for (let i = run.length - 2; i >= 0; i--)
      outwards[i] = outwards[i]!.map((_, b) => Math.min(...outwards[i + 1]!.map((sum, c) => sum + own(i + 1, c) + between(i + 1, b, c))));
    const least = Math.min(...inwards.at(-1)!);
    run.forEach(({ choices }, i) => {
      reached[from + i] = choices.filter((_, c) => inwards[i]![c]! + outwards[i]![c]! === least).map(levelOf);
    });
  }
  return reached;
}
