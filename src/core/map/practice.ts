import type { Survey } from "../eye";
import { FIBRE_LENGTHS_MM, longestFibreMm } from "../lash";
import type { Policy } from "../policy";
import { anMm } from "../units";
import { zonePieces } from "./pieces";
import type { LashMap } from "./schema";
import type { Tray } from "./tray";

/** A survey, as far as it says whose lashes it is of. */
type OfMannequin = Pick<Survey, "mannequin">;

/** The trays as far as they may be worn: what is longer than a client ever wears is left out for one, kept for a mannequin head. */
export function traysFor(trays: readonly Tray[], { mannequin }: OfMannequin): readonly Tray[] {
  const longest = longestFibreMm(mannequin ?? false);
  if (trays.every(({ lengthsMm }) => lengthsMm.every((mm) => mm <= longest))) return trays;
  // The same shelf gives the same trays: what was reckoned of them is known by them.
  let known = worn.get(trays);
  if (!known) {
    known = trays.flatMap((tray) => {
      const lengthsMm = tray.lengthsMm.filter((mm) => mm <= longest);
      return lengthsMm.length > 0 || tray.lengthsMm.length === 0 ? [{ ...tray, lengthsMm }] : [];
    });
    worn.set(trays, known);
  }
  return known;
}
const worn = new WeakMap<readonly Tray[], readonly Tray[]>();

/** Why a map is for a mannequin head only, in words; null where a client may wear it. Common practice. */
export function practiceOnly(map: LashMap): string | null {
  const lengths = [map.eyes.right, map.eyes.left].flatMap(({ layers }) =>
    layers.flatMap(({ zones }) => zones.flatMap((zone) => (zone ? zonePieces(zone).map(({ fibre }) => fibre.lengthMm) : []))),
  );
  const longest = Math.max(0, ...lengths);
  return longest > FIBRE_LENGTHS_MM.longestWorn
    ? `This map wears ${anMm(longest)}: past ${FIBRE_LENGTHS_MM.longestWorn} mm is for practice on a mannequin head, never for a client.`
    : null;
}

/**
 * The policy a plan keeps. On a mannequin head, where a length for practice is wished or the tray holds no other, what guards
 * a living lash stands back: over-length, load and the corners' match.
 */
export function policyForPractice(
  policy: Policy,
  { mannequin }: OfMannequin,
  longestMm: number | null,
  stockedMm: readonly number[],
): Policy {
  const past = (mm: number) => mm > FIBRE_LENGTHS_MM.longestWorn;
  if (!mannequin || !(longestMm !== null ? past(longestMm) : stockedMm.length > 0 && stockedMm.every(past))) return policy;
  // The same policy gives the same object, so that what is reckoned from it can be kept.
  let known = unguarded.get(policy);
  if (!known) {
    const [overLengthMm, load] = [FIBRE_LENGTHS_MM.longestPractice, Number.MAX_VALUE];
    known = {
      ...policy,
      overLengthMm,
      fineOverLengthMm: overLengthMm,
      corners: "graded",
      loadAmber: load,
      loadAmberFan: load,
      loadRed: load,
    };
    unguarded.set(policy, known);
  }
  return known;
}
const unguarded = new WeakMap<Policy, Policy>();
