/** What is held of some unknowns: means, and covariance row by row. */
export type Belief = { readonly mean: readonly number[]; readonly covariance: readonly (readonly number[])[] };
/** One look at a weighted sum of the unknowns. */
export type Observation = { readonly weights: readonly number[]; readonly value: number };

/** Independent unknowns, each with a mean and a standard deviation. */
export function independent(unknowns: readonly { readonly mean: number; readonly sd: number }[]): Belief {
  return {
    mean: unknowns.map(({ mean }) => mean),
    covariance: unknowns.map(({ sd }, i) => unknowns.map((_, j) => (i === j ? sd ** 2 : 0))),
  };
}

const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, value, i) => sum + value * b[i]!, 0);

/**
 * Belief after some looks with normal noise of a known standard deviation: Bayesian linear regression, one look at a
 * time (their order changes nothing). Bishop, Pattern Recognition and Machine Learning (2006), section 3.3.
 */
export function updated(prior: Belief, observations: readonly Observation[], noiseSd: number): Belief {
  return observations.reduce<Belief>(({ mean, covariance }, { weights, value }) => {
    const seen = covariance.map((row) => dot(row, weights));
    const variance = dot(weights, seen) + noiseSd ** 2;
    const off = value - dot(weights, mean);
    return {
      mean: mean.map((m, i) => m + (seen[i]! * off) / variance),
      covariance: covariance.map((row, i) => row.map((c, j) => c - (seen[i]! * seen[j]!) / variance)),
    };
  }, prior);
}

/** Mean and standard deviation of a weighted sum of the unknowns. */
export function sumOf({ mean, covariance }: Belief, weights: readonly number[]): { mean: number; sd: number } {
  const variance = dot(
    weights,
    covariance.map((row) => dot(row, weights)),
  );
  return { mean: dot(weights, mean), sd: Math.sqrt(Math.max(0, variance)) };
}

/**
 * Share of a standard normal below z. Abramowitz and Stegun, Handbook of Mathematical Functions (1964), 26.2.17;
 * error under 7.5e-8.
 */
export function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}
