import { sideLabel, SIDES } from "../eye";
import { fibreOnLash } from "./fibreOnLash";
import { mapFacts, type MapContext } from "./facts";
import type { LashMap } from "./schema";
import { holdsOn } from "./holdsOn";

/** How the base layer of a map lies against its natural lashes. */
export type BaseContact = { readonly holds: boolean; readonly words: string };

/** The zone whose base touches least, of those that do not hold if there are any; null where nothing is worn. */
export function baseContactOf(map: LashMap, context: MapContext): BaseContact | null {
  const facts = mapFacts(map, context);
  const all = SIDES.flatMap((side) =>
    facts.zones[side].flatMap(({ fibre, limit, index }) => {
      if (!fibre) return [];
      const { contactMm } = fibreOnLash(fibre, limit.natural, facts.policy, context.trays);
      return [{ mm: contactMm, holds: holdsOn(contactMm, limit.natural.angleDeg), side, zone: index + 1 }];
    }),
  );
  const least = [...all].sort((a, b) => Number(a.holds) - Number(b.holds) || a.mm - b.mm)[0];
  if (!least) return null;
  const where = `zone ${least.zone} of the ${sideLabel(least.side)}`;
  return {
    holds: least.holds,
    words: least.holds
      ? `The base holds everywhere; ${least.mm.toFixed(1)} mm at the least, in ${where}.`
      : `Only ${least.mm.toFixed(1)} mm on lashes that point down, in ${where}.`,
  };
}
