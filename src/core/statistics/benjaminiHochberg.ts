/**
 * Which of several tests may be called found, where at most that share of what is called so shall be false: Benjamini and
 * Hochberg, J. R. Stat. Soc. B 57 (1995) 289-300. `falseShare` 0.1, chances [0.01, 0.2, 0.04] → [true, false, true]
 */
export function benjaminiHochberg(chances: readonly number[], falseShare: number): boolean[] {
  const ranked = chances.map((chance, at) => ({ chance, at })).sort((a, b) => a.chance - b.chance);
  const last = ranked.findLastIndex(({ chance }, rank) => chance <= (falseShare * (rank + 1)) / chances.length);
  const found = new Set(ranked.slice(0, last + 1).map(({ at }) => at));
  return chances.map((_, at) => found.has(at));
}
