/**
 * Places moved apart until each stands at least `gap` past the one before, moving them as little as may be (least sum
 * of squares), order kept. Pool adjacent violators; Ayer et al., Ann. Math. Stat. 26 (1955) 641-647.
 * `wished` ascending. `spreadApart([0, 1, 10], 4)` → −1.5, 2.5, 10
 */
export function spreadApart(wished: readonly number[], gap: number): number[] {
  const pools: { sum: number; count: number }[] = [];
  const mean = (pool: { sum: number; count: number }) => pool.sum / pool.count;
  wished.forEach((place, i) => {
    let pool = { sum: place - i * gap, count: 1 };
    while (pools.length > 0 && mean(pools.at(-1)!) > mean(pool)) {
      const before = pools.pop()!;
      pool = { sum: before.sum + pool.sum, count: before.count + pool.count };
    }
    pools.push(pool);
  });
  return pools.flatMap((pool) => Array<number>(pool.count).fill(mean(pool))).map((place, i) => place + i * gap);
}
