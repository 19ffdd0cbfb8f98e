import { countLabel, mostCount } from "../../lash";
import { fibreKind } from "../fibreKind";
import type { Finding, Fix } from "../finding";
import type { FibreKind, LashMap } from "../schema";
import { kindLabel, stockedLengths, type TrayKind } from "../stock";
import { swapEverywhere } from "../swapEverywhere";
import type { Tray } from "../tray";

/** One kind of fibre for another wherever the map wears it, offered only where every length of the one is in stock in the other. */
export function swapThroughout(trays: readonly Tray[], from: FibreKind, to: FibreKind): Pick<Fix, "throughout"> {
  const lengths = stockedLengths(trays, to);
  if (!stockedLengths(trays, from).every((mm) => lengths.includes(mm))) return {};
  const label =
    from.count === to.count || mostCount(to) === 1 ? `Take ${kindLabel(to)} throughout` : `Make it ${countLabel(to)} throughout`;
  return { throughout: { label, apply: (map: LashMap) => swapEverywhere(map, fibreKind(from), fibreKind(to)) } };
}

/** What to plan in where a finer fibre lets every zone be longer. */
export function planInFiner(from: FibreKind, { diameterMm }: TrayKind): Pick<Finding, "plan"> {
  const fibre = { ...fibreKind(from), diameterMm };
  return { plan: { label: `Plan it in ${kindLabel(fibre)}`, wish: { fibre } } };
}
