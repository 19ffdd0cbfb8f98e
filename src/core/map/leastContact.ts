import { sideLabel, SIDES, type Side } from "../eye";
import { fibreOnLash } from "./fibreOnLash";
import { mapFacts, type MapContext } from "./facts";
import type { LashMap } from "./schema";

export type LeastContact = { readonly mm: number; readonly side: Side; readonly zone: number };

/** Where the base layer of a map touches its natural lashes least, mm; null where nothing is worn. */
export function leastContact(map: LashMap, context: MapContext): LeastContact | null {
  const facts = mapFacts(map, context);
  const all = SIDES.flatMap((side) =>
    facts.zones[side].flatMap(({ fibre, limit, index }) =>
      fibre ? [{ mm: fibreOnLash(fibre, limit.natural, facts.policy, context.trays).contactMm, side, zone: index + 1 }] : [],
    ),
  );
  return all.reduce<LeastContact | null>((least, one) => (least === null || one.mm < least.mm ? one : least), null);
}

/** "1.2 mm at the least, zone 9 of client's right." */
export const contactWords = ({ mm, side, zone }: LeastContact) =>
  `${mm.toFixed(1)} mm at the least, in zone ${zone} of the ${sideLabel(side)}.`;
