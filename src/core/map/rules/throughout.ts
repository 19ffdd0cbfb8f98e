import { countLabel, mostCount } from "../../lash";
import type { Finding, Fix } from "../finding";
import type { FibreKind, LashMap } from "../schema";
import { kindLabel, stockedLengths, type TrayKind } from "../stock";
import { swapEverywhere } from "../swapEverywhere";
import type { Tray } from "../tray";

/** One kind of fibre for another wherever the map wears it, offered only where every length of the one is in stock in the other. */
export function swapThroughout(trays: readonly Tray[], from: FibreKind, to: FibreKind): Pick<Fix, "throughout"> {
  const lengths = stockedLengths(trays, to);
  if (!stockedLengths(trays, from).every((mm) => lengths.includes(mm))) return {};
  const kind = (fibre: FibreKind): FibreKind => {
    const { curl, diameterMm, shape, count, countTo, opening, colour } = fibre;
    return {
      curl,
      diameterMm,
      shape,
      count,
      ...(countTo ? { countTo } : {}),
      ...(opening ? { opening } : {}),
      ...(colour ? { colour } : {}),
    };
  };
  const label =
    from.count === to.count || mostCount(to) === 1 ? `Take ${kindLabel(to)} throughout` : `Make it ${countLabel(to)} throughout`;
  return { throughout: { label, apply: (map: LashMap) => swapEverywhere(map, kind(from), kind(to)) } };
}

/** A finer fibre lets every zone be planned longer: what to plan in. */
export function finerThroughout(trays: readonly Tray[], from: FibreKind, to: TrayKind): Pick<Finding, "plan"> {
  if (stockedLengths(trays, to).length === 0) return {};
  const { curl, shape, count, countTo, opening, colour } = from;
  const fibre: FibreKind = {
    curl,
    shape,
    diameterMm: to.diameterMm,
    count,
    ...(countTo ? { countTo } : {}),
    ...(opening ? { opening } : {}),
    ...(colour ? { colour } : {}),
  };
  return { plan: { label: `Plan it in ${kindLabel(fibre)}`, wish: { fibre } } };
}
