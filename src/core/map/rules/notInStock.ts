import { formatMm } from "../../units";
import { nearestStocked } from "../edit";
import { type Finding, type Rule } from "../finding";
import { kindLabel } from "../stock";
import { at, changeFibre, perPiece, placeOf } from "./helpers";

/** Length not in stock: no tray of this studio holds the fibre. */
export const notInStock: Rule = (facts) =>
  perPiece("notInStock", facts, (zone, piece): Finding[] => {
    const { fibre, stockedMm } = piece;
    if (stockedMm.includes(fibre.lengthMm)) return [];
    const to = stockedMm.filter((mm) => mm < fibre.lengthMm).at(-1) ?? nearestStocked(stockedMm, fibre.lengthMm);
    const harmless = to !== null && (to < fibre.lengthMm || to <= piece.limitMm);
    return [
      {
        rule: "notInStock",
        severity: "stop",
        where: at(zone),
        title: placeOf(zone),
        why: stockedMm.length
          ? `No tray holds ${formatMm(fibre.lengthMm)} mm in ${kindLabel(fibre)}.`
          : `No tray of ${kindLabel(fibre)} ${fibre.shape === "flat" ? "" : "round "}is in stock.`,
        numbers: [{ label: "In stock", value: stockedMm.length ? `${stockedMm.map(formatMm).join(", ")} mm` : "none" }],
        source: "The studio's trays.",
        ...(harmless
          ? { fix: { label: `Take ${formatMm(to)}`, all: "Take what is in stock", apply: changeFibre(zone, piece, { lengthMm: to }) } }
          : {}),
      },
    ];
  });
