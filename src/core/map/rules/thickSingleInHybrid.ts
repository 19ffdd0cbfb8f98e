import { mostCount } from "../../lash";
import { type Finding, type Rule } from "../finding";
import { stockedLengths } from "../stock";
import { at, changeFibre, perZone, titled } from "./helpers";

/** Singles of this or finer, or they show among the fans. Common practice. */
export const HYBRID_SINGLE_UP_TO_MM = 0.15;

/** Single over 0.15 in a hybrid: it shows as a bar between the fans. */
export const thickSingleInHybrid: Rule = (facts) =>
  perZone("thickSingleInHybrid", facts, (zone): Finding[] => {
    const single = zone.pieces.find(({ ref, fibre }) => (ref === "main" || ref === "hybrid") && mostCount(fibre) === 1);
    const fans = zone.pieces.some(({ fibre }) => mostCount(fibre) > 1);
    if (!zone.fibre?.hybrid || !single || !fans || single.fibre.diameterMm <= HYBRID_SINGLE_UP_TO_MM + 1e-9) return [];
    const finer = facts.trays
      .filter(
        ({ curl, shape, diameterMm }) => curl === single.fibre.curl && shape === single.fibre.shape && diameterMm <= HYBRID_SINGLE_UP_TO_MM,
      )
      .sort((a, b) => b.diameterMm - a.diameterMm)
      .find(({ diameterMm }) => stockedLengths(facts.trays, { ...single.fibre, diameterMm }).includes(single.fibre.lengthMm));
    return [
      {
        rule: "thickSingleInHybrid",
        severity: "look",
        where: at(zone),
        ...titled(zone, "hybrid"),
        why: `A single of ${single.fibre.diameterMm.toFixed(2)} shows between fans. Singles of 0.15 or finer disappear among them.`,
        numbers: [{ label: "Single", value: `${single.fibre.diameterMm.toFixed(2)} mm` }],
        source: "Common practice.",
        ...(finer
          ? { fix: { label: `Take ${finer.diameterMm.toFixed(2)}`, apply: changeFibre(zone, single, { diameterMm: finer.diameterMm }) } }
          : {}),
      },
    ];
  });
