import { clamp } from "../units";

/** A lash's direct neighbours are isolated again after so many set times, and never sooner or without a reading than this, s. Models of this product. */
export const WET_NEIGHBOUR = { setTimes: 20, atLeastS: 30, withoutReadingS: 60, atMostS: 600 } as const;

/**
 * Seconds until the direct neighbours of a lash may be isolated. `setTimeS` is the bottle's in this air; null where nobody
 * read the air, or nobody knows the bottle. `wetNeighbourS(2.3)` → 46
 */
export function wetNeighbourS(setTimeS: number | null): number {
  const { setTimes, atLeastS, withoutReadingS, atMostS } = WET_NEIGHBOUR;
  return setTimeS === null ? withoutReadingS : clamp(setTimeS * setTimes, atLeastS, atMostS);
}

/** More lashes than this on one eye look uneven whatever the glue says. A model of this product. */
const MOST_IN_TURN = 6;

/**
 * How many lashes are placed on one eye before the other is taken: so many that what lies there is safe when the hands come
 * back. `lashesInTurn(46, 21)` → 3
 */
export const lashesInTurn = (wetS: number, paceS: number): number => clamp(Math.ceil(wetS / Math.max(1, paceS)), 1, MOST_IN_TURN);
