import { fieldOf, type FieldLash, type Side, type Survey } from "../eye";
import type { AccentPlacing } from "./schema";

/**
 * The natural lashes an accent layer takes on one eye, inner corner outwards: of each few the longest, as a hand picks
 * it, and never two on neighbours; or the few side by side that are longest together, where accents come in clusters.
 * On a single row one of each `innerEvery`. Baby lashes are passed over.
 */
export function accentLashes(survey: Survey, side: Side, placing: AccentPlacing): readonly FieldLash[] {
  const field = fieldOf(survey, side);
  const name = `${placing.every}/${placing.cluster}/${placing.innerEvery}`;
  let known = picked.get(field);
  if (!known) picked.set(field, (known = new Map()));
  let lashes = known.get(name);
  if (!lashes) known.set(name, (lashes = pick(field, placing)));
  return lashes;
}

/** Limits, placements and drawings ask for the same lashes: they are picked once an eye and way of placing. */
const picked = new WeakMap<readonly FieldLash[], Map<string, readonly FieldLash[]>>();

function pick(field: readonly FieldLash[], { every, cluster, innerEvery }: AccentPlacing): FieldLash[] {
  const usable = field.filter(({ baby }) => !baby);
  const taken: FieldLash[] = [];
  let free = 0;
  for (let from = 0; from < usable.length;) {
    const single = usable[from]!.rows === 1;
    const [few, side] = single ? [innerEvery, 1] : [every, cluster];
    let to = from;
    while (to < usable.length && to < from + few && (usable[to]!.rows === 1) === single) to += 1;
    // Half a group at the end of a stretch is too few to pick from, and would crowd.
    const start = to - from < few / 2 ? -1 : longestTogether(usable, Math.max(from, free), to, side);
    if (start >= 0) {
      taken.push(...usable.slice(start, start + side));
      // One lash at least stays between, unless every lash was asked for.
      free = start + side + (few > side ? 1 : 0);
    }
    from = to;
  }
  return taken;
}

/** Where the `count` lashes side by side that are longest together begin, between `from` and `to`; −1 where so many do not fit. */
function longestTogether(lashes: readonly FieldLash[], from: number, to: number, count: number): number {
  let best = -1;
  let bestMm = -Infinity;
  for (let start = from; start + count <= to; start++) {
    let sum = 0;
    for (let k = start; k < start + count; k++) sum += lashes[k]!.lengthMm;
    if (sum > bestMm + 1e-9) [best, bestMm] = [start, sum];
  }
  return best;
}
