/**
 * Which percentile of all lashes stands where a percentile `p` of the picked ones stands, when the `cluster` longest of
 * every `every` lashes are picked: the order statistic X₍ₖ₋꜀₊₁₎ has P(X ≤ x) = Σⱼ₌ₖ₋꜀₊₁ᵏ C(k, j) qʲ (1 − q)ᵏ⁻ʲ
 * (David and Nagaraja, Order Statistics, 2003, section 2.1). Solved for q by halving.
 * `pickedPercentile(4, 1, 0.25)` → 0.25^(1/4) = 0.707
 */
export function pickedPercentile(every: number, cluster: number, p: number): number {
  const least = every - cluster + 1;
  const chance = (q: number) => {
    let sum = 0;
    for (let j = least; j <= every; j++) sum += choose(every, j) * q ** j * (1 - q) ** (every - j);
    return sum;
  };
  let [low, high] = [0, 1];
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2;
    if (chance(middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function choose(n: number, k: number): number {
  let product = 1;
  for (let i = 1; i <= k; i++) product = (product * (n - k + i)) / i;
  return product;
}
