import type { Kept } from "./gapPlan";
import { isSameZone, type FillWork, type FoundZone } from "./work";

/** Extensions taken off in a zone so far. */
export const offIn = ({ off }: Pick<FillWork, "off">, zone: FoundZone): number =>
  off.reduce((sum, one) => sum + (isSameZone(one, zone) ? one.n : 0), 0);

/** What stays on of what was counted: all that was not taken off. */
export const keptOf = (fill: Pick<FillWork, "counted" | "off">): Kept[] =>
  fill.counted.map((zone) => ({
    side: zone.side,
    role: zone.role,
    from: zone.from,
    to: zone.to,
    n: Math.max(0, zone.left - offIn(fill, zone)),
  }));
