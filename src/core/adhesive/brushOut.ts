/** How many came off of how many placed since the last brush. */
export type Brush = { readonly off: number; readonly of: number };

export type BrushVerdict = {
  readonly word: "as usual" | "not told yet" | "bad";
  readonly off: number;
  readonly of: number;
  readonly baseRate: number;
  /** How likely so many or more would come off if nothing were wrong. */
  readonly chance: number;
};

/** A hand nobody has counted yet: two in a hundred, as sure as a hundred counted. A model of this product. */
const USUAL = { off: 2, of: 100 } as const;
/** What is called bad, and how often the meter may be wrong. Models of this product. */
const BAD = { atLeast: 0.15, times: 4, falseAlarm: 0.01, missed: 0.1 } as const;

/** What comes off at the brush as a rule; a hand's own once its counted lashes outweigh what is only supposed. */
export type BrushRate = { readonly rate: number; readonly isOwn: boolean };

/** A technician's rate at the brush, from past brushes; starts from the usual one. */
export function baseRate(past: readonly Brush[]): BrushRate {
  const [off, of] = past.reduce(([a, b], brush) => [a + brush.off, b + brush.of], [USUAL.off, USUAL.of] as [number, number]);
  return { rate: Math.min(0.5, off / of), isOwn: of >= 2 * USUAL.of };
}

/**
 * Is this bead, or this air, bad? Brushes since the bead was put out, in one sequential probability-ratio test against
 * the base rate. Wald, Annals of Mathematical Statistics 16 (1945) 117-186.
 */
export function brushVerdict(sinceBead: readonly Brush[], rate: number): BrushVerdict {
  const [off, of] = sinceBead.reduce(([a, b], brush) => [a + brush.off, b + brush.of], [0, 0]);
  const bad = Math.min(0.9, Math.max(BAD.atLeast, BAD.times * rate));
  const evidence = off * Math.log(bad / rate) + (of - off) * Math.log((1 - bad) / (1 - rate));
  return {
    word:
      evidence >= Math.log((1 - BAD.missed) / BAD.falseAlarm)
        ? "bad"
        : evidence <= Math.log(BAD.missed / (1 - BAD.falseAlarm))
          ? "as usual"
          : "not told yet",
    off,
    of,
    baseRate: rate,
    chance: chanceOfAtLeast(off, of, rate),
  };
}

/** Chance of `least` or more of `of`, each with this rate: the upper tail of the binomial distribution. */
export function chanceOfAtLeast(least: number, of: number, rate: number): number {
  if (least <= 0) return 1;
  let chance = 0;
  let logTerm = of * Math.log1p(-rate);
  for (let k = 0; k <= of; k++) {
    if (k >= least) chance += Math.exp(logTerm);
    logTerm += Math.log((of - k) / (k + 1)) + Math.log(rate) - Math.log1p(-rate);
  }
  return Math.min(1, chance);
}
