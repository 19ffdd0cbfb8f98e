/** From so many fills on something may be said, and then at so many times as many: the more often one looks, the more chance finds. */
const [FIRST, TIMES] = [30, 1.5] as const;

/**
 * With how many fills a studio is looked at: at fixed times only, and between them what was found then stands. Looking anew
 * at every tenth fill would name something false in a third of studios. `lookedAtWith(120)` → 102; null before the first.
 */
export function lookedAtWith(fills: number): number | null {
  if (fills < FIRST) return null;
  let at: number = FIRST;
  while (Math.round(at * TIMES) <= fills) at = Math.round(at * TIMES);
  return at;
}

/** With how many fills it is looked at next. */
export const nextLookWith = (fills: number): number => {
  const last = lookedAtWith(fills);
  return last === null ? FIRST : Math.round(last * TIMES);
};
