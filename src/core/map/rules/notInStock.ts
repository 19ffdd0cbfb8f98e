import { formatMm } from "../../units";
import { nearestStocked, setZoneLength } from "../edit";
import { type Finding, type Rule } from "../finding";
import { perZone, placeOf } from "./helpers";

/** Length not in stock: no tray of this studio holds the fibre. */
export const notInStock: Rule = (facts) =>
  perZone(facts, (zone): Finding[] => {
    const { fibre, stockedMm } = zone;
    if (!fibre || stockedMm.includes(fibre.lengthMm)) return [];
    const to = stockedMm.filter((mm) => mm < fibre.lengthMm).at(-1) ?? nearestStocked(stockedMm, fibre.lengthMm);
    const harmless = to !== null && (to < fibre.lengthMm || to <= zone.limit.limitMm);
    return [
      {
        rule: "notInStock",
        severity: "stop",
        where: { side: zone.side, zones: [zone.index] },
        title: placeOf(zone),
        why: stockedMm.length
          ? `No tray holds ${formatMm(fibre.lengthMm)} mm in ${fibre.curl} ${fibre.diameterMm.toFixed(2)}.`
          : `No tray of ${fibre.curl} ${fibre.diameterMm.toFixed(2)} ${fibre.shape} is in stock.`,
        numbers: [{ label: "In stock", value: stockedMm.length ? `${stockedMm.map(formatMm).join(", ")} mm` : "none" }],
        source: "The studio's trays.",
        ...(harmless ? { fix: { label: `Take ${formatMm(to)}`, apply: (map) => setZoneLength(map, zone.side, zone.index, to) } } : {}),
      },
    ];
  });
