import type { Fibre } from "../lash";
import type { Policy } from "../policy";
import { loadOver } from "./planZones";
import type { LashMap, ZoneFibre } from "./schema";
import { stockedLengths } from "./stock";
import type { Tray } from "./tray";
import type { ZoneLimit } from "./zoneLimit";

/** The second fibre of a hybrid in one zone: the longest stocked that stands no longer than the first and may be worn. */
export function mixIn(
  limit: ZoneLimit,
  fibre: Fibre,
  hybrid: LashMap["hybrid"],
  trays: readonly Tray[],
  policy: Policy,
): Pick<ZoneFibre, "hybrid"> {
  if (!hybrid) return {};
  const lengthMm = stockedLengths(trays, hybrid.fibre)
    .filter((mm) => mm <= fibre.lengthMm + 1e-9 && loadOver(limit, { ...hybrid.fibre, lengthMm: mm }, policy) === 0)
    .at(-1);
  return lengthMm === undefined ? {} : { hybrid: { ...hybrid, fibre: { ...hybrid.fibre, lengthMm } } };
}
