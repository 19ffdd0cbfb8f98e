import type { Side } from "../eye";
import { isOn, type Hazard } from "../growth";
import { heaviestOf, mapDarkness, type MapFacts } from "../map";
import { meanContact } from "./howPlaced";
import { drawnSets, figuresOf, meanOn, nextFill, setLashes, type NextFill } from "./nextFill";

/** A map as it is on one of its days: in the mean over sets drawn. */
export type LookedAhead = {
  readonly lashes: number;
  readonly on: number;
  readonly outgrown: number;
  readonly overLoad: number;
  /** How dark each eye reads, 0..1, as it is placed and on the day. */
  readonly darkness: Readonly<Record<Side, { readonly placed: number; readonly then: number }>>;
  /** Load of the heaviest fibre as it is placed, and on a growing lash by the 21st day; null where nothing is worn. */
  readonly heaviest: { readonly resting: number; readonly growing: number } | null;
  /** How long natural lash and extension lie together, mm, in the mean; null where nothing is worn. */
  readonly contactMm: number | null;
  readonly next: NextFill;
};

/**
 * How a map looks and weighs on a day after it was placed. Bonds are lost as `known` has it, whatever is worn: how much better
 * one fibre holds than another is for the studio's fills to tell. `pace` gives seconds a lash.
 */
export function lookAhead(
  facts: MapFacts,
  known: { readonly hazard: Hazard; readonly isKnown: boolean },
  day: number,
  pace: (side: Side, isFan: boolean) => number,
): LookedAhead {
  const { map, survey, policy } = facts;
  const lashes = setLashes(map, survey, known.hazard.mid, policy);
  const sets = drawnSets(lashes, figuresOf(map, survey, policy));
  const placed = mapDarkness(facts);
  const dark = (side: Side) => {
    const own = lashes.flatMap((lash, i) => (lash.side === side ? [i] : []));
    const on = sets.reduce((sum, lives) => sum + own.filter((i) => isOn(lives[i]!, day)).length, 0);
    const share = own.length === 0 ? 0 : on / sets.length / own.length;
    // Fibres lie on each other at random: what is left of their area is left of the logarithm.
    return { placed: placed[side].darkness, then: 1 - (1 - placed[side].darkness) ** share };
  };
  return {
    lashes: lashes.length,
    ...meanOn(lashes, sets, day),
    darkness: { right: dark("right"), left: dark("left") },
    heaviest: heaviestOf(facts),
    contactMm: meanContact(map, survey),
    next: nextFill(map, survey, known, policy, pace),
  };
}
