import { DIAMETER_CLASSES, mostCount } from "../../lash";
import { type Finding, type Rule } from "../finding";
import { stockedLengths } from "../stock";
import { at, changeFibre, perPiece, titled } from "./helpers";
import { swapThroughout } from "./throughout";

/** Singles from this thickness on are for coarse lashes, mm. Common practice. */
const THICK_FROM_MM = 0.2;
/** Half way from medium to coarse, mm. */
const COARSE_FROM_MM = (DIAMETER_CLASSES.medium.diameterMm + DIAMETER_CLASSES.coarse.diameterMm) / 2;

/** Single of 0.20 or more on medium lashes or finer. */
export const thickSingle: Rule = (facts) =>
  perPiece("thickSingle", facts, (zone, piece): Finding[] => {
    const { fibre } = piece;
    const { diameterMm: natural } = zone.limit.natural;
    if (mostCount(fibre) > 1 || fibre.diameterMm < THICK_FROM_MM - 1e-9 || natural >= COARSE_FROM_MM) return [];
    const finer = facts.trays
      .filter(({ curl, shape, diameterMm }) => curl === fibre.curl && shape === fibre.shape && diameterMm < THICK_FROM_MM - 1e-9)
      .sort((a, b) => b.diameterMm - a.diameterMm)
      .map(({ diameterMm }) => ({ ...fibre, diameterMm }))
      .find((kind) => stockedLengths(facts.trays, kind).includes(fibre.lengthMm));
    return [
      {
        rule: "thickSingle",
        severity: "look",
        where: at(zone),
        ...titled(zone, "thick single"),
        by: piece.load.resting,
        why: `A single of ${fibre.diameterMm.toFixed(2)} is for coarse lashes; these are ${natural.toFixed(3)} mm thick.`,
        numbers: [
          { label: "Coarse from", value: `${COARSE_FROM_MM.toFixed(3)} mm` },
          { label: "Load, resting", value: `${piece.load.resting.toFixed(2)} ×` },
        ],
        source: "Common practice.",
        ...(finer
          ? {
              fix: {
                label: `Take ${finer.diameterMm.toFixed(2)}`,
                apply: changeFibre(zone, piece, { diameterMm: finer.diameterMm }),
                ...swapThroughout(facts.trays, fibre, finer),
              },
            }
          : {}),
      },
    ];
  });
