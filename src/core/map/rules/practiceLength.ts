import { FIBRE_LENGTHS_MM } from "../../lash";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { at, changeFibre, perPiece, placeOf, shortenTo } from "./helpers";

/** Practice length on a client: fibres past 18 mm are for mannequin heads. */
export const practiceLength: Rule = (facts) => {
  if (facts.survey.mannequin) return [];
  return perPiece("practiceLength", facts, (zone, piece): Finding[] => {
    if (piece.fibre.lengthMm <= FIBRE_LENGTHS_MM.longestWorn) return [];
    const to = shortenTo(piece, Math.min(FIBRE_LENGTHS_MM.longestWorn, piece.limitMm));
    return [
      {
        rule: "practiceLength",
        severity: "stop",
        where: at(zone),
        title: placeOf(zone),
        why: `${formatMm(piece.fibre.lengthMm)} mm is a length for practice heads, never for a client.`,
        numbers: [{ label: "Longest worn", value: `${FIBRE_LENGTHS_MM.longestWorn} mm` }],
        source: "Common practice.",
        fix: {
          label: to === null ? "Leave bare" : `Shorten to ${formatMm(to)}`,
          all: "Shorten each to its limit",
          apply: changeFibre(zone, piece, to === null ? null : { lengthMm: to }),
        },
      },
    ];
  });
};
