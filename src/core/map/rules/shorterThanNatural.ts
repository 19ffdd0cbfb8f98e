import { mostCount } from "../../lash";
import { formatMm } from "../../units";
import { type Finding, type Fix, type Rule } from "../finding";
import { kindLabel, stockedLengths } from "../stock";
import { FLOOR_BELOW_MM, judgeLoad, leastFillMm } from "../zoneLimit";
import { at, changeFibre, perPiece, titled } from "./helpers";
import { planInFiner } from "./throughout";

/** Shorter than the natural lash: a fill that its own lashes hide, and that only weighs on them. */
export const shorterThanNatural: Rule = (facts) =>
  perPiece("shorterThanNatural", facts, (zone, piece): Finding[] => {
    const { limit } = zone;
    const { fibre, ref } = piece;
    if (zone.role !== "base" || ref === "support") return [];
    const own = piece.usualMm - FLOOR_BELOW_MM;
    const floorMm = leastFillMm(piece.usualMm, limit.corner);
    if (piece.share === 0 || fibre.lengthMm >= floorMm - 1e-9) return [];
    const carries = (other: typeof fibre) => judgeLoad(limit.loadOf(other), mostCount(other), facts.policy) !== "stop";
    const longEnough = (lengths: readonly number[]) => lengths.find((mm) => mm >= own - 1e-9 && mm <= piece.limitMm + 1e-9);
    const longer = longEnough(piece.stockedMm.filter((lengthMm) => carries({ ...fibre, lengthMm })));
    const finer = facts.trays
      .filter(({ curl, shape, diameterMm }) => curl === fibre.curl && shape === fibre.shape && diameterMm < fibre.diameterMm - 1e-9)
      .sort((a, b) => b.diameterMm - a.diameterMm)
      .flatMap(({ diameterMm }) => {
        const kind = { ...fibre, diameterMm };
        const lengthMm = longEnough(stockedLengths(facts.trays, kind).filter((mm) => carries({ ...kind, lengthMm: mm })));
        return lengthMm === undefined ? [] : [{ ...kind, lengthMm }];
      })[0];
    const fix: Fix | null =
      longer !== undefined
        ? {
            label: `Lengthen to ${formatMm(longer)}`,
            all: "Lengthen each to its lashes",
            apply: changeFibre(zone, piece, { lengthMm: longer }),
          }
        : finer && ref === "main"
          ? {
              label: `Take ${formatMm(finer.lengthMm)} mm of ${kindLabel(finer)}`,
              all: "Take a finer fibre in each",
              apply: changeFibre(zone, piece, { diameterMm: finer.diameterMm, lengthMm: finer.lengthMm }),
            }
          : null;
    return [
      {
        rule: "shorterThanNatural",
        severity: "look",
        where: at(zone),
        ...titled(zone, "shorter than the natural lash"),
        by: floorMm - fibre.lengthMm,
        why:
          `${formatMm(fibre.lengthMm)} mm on lashes of usually ${formatMm(piece.usualMm)} is hidden by them and only weighs.` +
          (longer === undefined && finer ? ` They carry no more of ${fibre.diameterMm.toFixed(2)}: a finer fibre comes first.` : ""),
        numbers: [
          { label: "Usual lash here", value: `${piece.usualMm.toFixed(1)} mm` },
          { label: "At most here", value: `${piece.limitMm.toFixed(1)} mm` },
          { label: "Load, resting", value: `${piece.load.resting.toFixed(2)} ×` },
        ],
        source: "Common practice.",
        ...(fix ? { fix } : {}),
        ...(longer === undefined && finer ? planInFiner(fibre, finer) : {}),
      },
    ];
  });
