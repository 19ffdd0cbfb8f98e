import type { FibreKind } from "./schema";

/** A fibre without its length, and nothing else that came with it. */
export const fibreKind = ({ curl, diameterMm, shape, count, countTo, opening, colour }: FibreKind): FibreKind => ({
  curl,
  diameterMm,
  shape,
  count,
  ...(countTo ? { countTo } : {}),
  ...(opening ? { opening } : {}),
  ...(colour ? { colour } : {}),
});
