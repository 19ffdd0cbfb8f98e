import type { Side } from "../eye";
import { chosenLengths } from "./lashClasses";
import { LOOKS } from "./looks";
import type { Ground } from "./planGround";
import { longestReached, togetherOf, type Zones } from "./planLayer";
import type { LineLimits } from "./line";

/** What a look hangs from: the length of its peak, where that peak is, and how far below every zone lies. */
export type Hung = {
  readonly longestMm: Readonly<Record<Side, number>>;
  /** The least drop outside the corners: there the look is to be as long as it hangs. */
  readonly leastDropMm: Readonly<Record<Side, number>>;
  /** Is a zone part of the look's peak? */
  readonly peak: Readonly<Record<Side, readonly boolean[]>>;
};

/** A zone whose drop is so little more than the least is part of the peak, mm. A model of this product. */
export const PEAK_WITHIN_MM = 0.5;

/** A look that follows the lashes adds at least this to each, where limits allow, mm. A model of this product. */
const LEAST_ADDED_MM = 1;

/** The look hung from the longest its peak outside the corners reaches in a line that keeps step and drop, or from what is wished. */
export function hangFrom({ wish, drops, stocked }: Ground, zones: Zones, limits: LineLimits): Hung {
  const reached = longestReached(zones, togetherOf(wish.coupling), limits);
  const of = (side: Side) => {
    const inLook = zones[side].map(({ corner, choices }) => !corner && choices.length > 0);
    const within = inLook.some(Boolean) ? inLook : zones[side].map(({ choices }) => choices.length > 0);
    const leastDropMm = Math.min(...drops[side].filter((_, i) => within[i]), Infinity);
    const peak = drops[side].map((drop, i) => within[i]! && drop <= leastDropMm + PEAK_WITHIN_MM);
    const longest = Math.max(...reached[side].filter((_, i) => peak[i]).map((mm) => mm ?? 0), stocked[0] ?? 0);
    return { peak, leastDropMm: Number.isFinite(leastDropMm) ? leastDropMm : 0, longest };
  };
  const [right, left] = [of("right"), of("left")];
  const lowerMm = wish.bend || wish.school.id === "byClass" ? 0 : (LOOKS[wish.look].hangsLowerMm ?? 0);
  const follows = !wish.bend && (LOOKS[wish.look].followsLashes ?? false);
  // What follows the lashes adds something to each, even where the longest of them can carry no more.
  const least = (side: Side) =>
    Math.max(0, ...zones[side].filter(({ corner }) => follows && !corner).map(({ limit }) => limit.usualMm + LEAST_ADDED_MM));
  const own = { right: Math.max(right.longest - lowerMm, least("right")), left: Math.max(left.longest - lowerMm, least("left")) };
  const wished = wish.longestMm ?? chosenLengths(wish)?.at(-1) ?? null;
  const common = wished ?? Math.min(own.right, own.left);
  const apart = wish.coupling === "each" && wished === null;
  return {
    longestMm: apart ? own : { right: common, left: common },
    leastDropMm: { right: right.leastDropMm, left: left.leastDropMm },
    peak: { right: right.peak, left: left.peak },
  };
}
