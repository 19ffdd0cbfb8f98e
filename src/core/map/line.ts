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
export const halves = (mm: number) => Math.ceil(2 * mm - 1e-6);

/** Stretches without a bare zone, each with where it begins and whether it runs to the outer corner. */
export function runsOf(zones: readonly LineZone[]) {
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

export const levelOf = ({ lengthsMm }: LineChoice) => lengthsMm.reduce((sum, mm) => sum + mm, 0) / lengthsMm.length;

/** The drop a last zone of a length wants, mm. */
export const outerDropAt = (lengthMm: number, { outerDropMm, longEndDropMm = outerDropMm }: LineLimits): number =>
  lengthMm >= LONG_END_MM ? longEndDropMm : outerDropMm;

/** How far a step from one choice to the next breaks drop and step, eyes added up, mm. */
export function brokenBetween(a: LineChoice, b: LineChoice, limits: LineLimits, outermost: boolean, stepped: boolean) {
  let [dropMm, stepMm] = [0, 0];
  for (let eye = 0; eye < b.lengthsMm.length; eye++) {
    const [x, y] = [a.lengthsMm[eye]!, b.lengthsMm[eye]!];
    if (stepped) stepMm += Math.max(0, Math.abs(x - y) - limits.stepMm);
    if (outermost) dropMm += Math.max(0, y - (x - outerDropAt(y, limits)));
  }
  return { dropMm, stepMm };
}

export function givenUpBy(zones: readonly LineZone[], chosen: readonly LineChoice[], limits: LineLimits, toCorner: boolean): GivenUp {
  const sum = { dropMm: 0, cornerMm: 0, stepMm: 0, accentMm: 0, dipMm: 0 };
  let fallen = false;
  chosen.forEach((choice, i) => {
    sum.cornerMm += choice.belowMm ?? 0;
    sum.accentMm += choice.shortMm ?? 0;
    const before = chosen[i - 1];
    if (!before) return;
    const broken = brokenBetween(before, choice, limits, toCorner && i === chosen.length - 1, asksStep(zones, i));
    sum.dropMm += broken.dropMm;
    sum.stepMm += broken.stepMm;
    if (!inLook(zones, i)) return;
    const rise = levelOf(choice) - levelOf(before);
    if (fallen && rise > 0) sum.dipMm += rise;
    if (rise < 0) fallen = true;
  });
  return sum;
}

export const asksStep = (zones: readonly LineZone[], i: number) => !zones[i]!.byLash && !zones[i - 1]!.byLash;

/** Is the step up to this zone one of the look's own, where a dip would show? Corners and textures of steps are not. */
export const inLook = (zones: readonly LineZone[], i: number) =>
  !zones[i]!.corner && !zones[i - 1]!.corner && !zones[i]!.mark && !zones[i - 1]!.mark;

/** How much less than TEXTURE_MM a mark stands out over its neighbour between, mm; 0 where there is no texture. */
export function textureLost(a: LineZone, b: LineZone, rise: number): number {
  if (!a.mark || !b.mark || a.mark === b.mark) return 0;
  return Math.max(0, TEXTURE_MM - (b.mark === "on" ? rise : -rise));
}
