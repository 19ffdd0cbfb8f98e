import type { Policy } from "../policy";
import type { PlacingPace } from "./totals";

/** Fewer sets than this say nothing of a pace. */
const LEAST_SETS = 3;
/** No hand is taken to be more than so many times slower or quicker than the studio's figures: a clock forgotten says more. */
const MOST_APART = 4;

/** A finished set: how long its placing took, and how many lashes wear a single and how many a fan. */
export type TimedSet = { readonly seconds: number; readonly singles: number; readonly fans: number };

/**
 * A technician's own seconds a lash from the last finished sets; singles and fans keep the studio's ratio to each other.
 * The studio's own figures where too few sets are known. A model of this product.
 */
export function technicianPace(
  sets: readonly TimedSet[],
  { secondsPerSingle, secondsPerFan }: Pick<Policy, "secondsPerSingle" | "secondsPerFan">,
): PlacingPace & { readonly known: boolean } {
  const paces = sets.flatMap(({ seconds, singles, fans }) => {
    // How many studio seconds these lashes are, so that a set of fans and one of singles say the same of a hand.
    const usual = fans * secondsPerFan + singles * secondsPerSingle;
    return seconds > 0 && usual > 0 ? [seconds / usual] : [];
  });
  if (paces.length < LEAST_SETS) return { secondsPerSingle, secondsPerFan, known: false };
  const middle = [...paces].sort((a, b) => a - b)[Math.floor(paces.length / 2)]!;
  const pace = Math.min(MOST_APART, Math.max(1 / MOST_APART, middle));
  return { secondsPerSingle: Math.round(secondsPerSingle * pace), secondsPerFan: Math.round(secondsPerFan * pace), known: true };
}
