import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { at, changeFibre, perPiece, placeOf, shortenTo } from "./helpers";

/** Long corner: the innermost or outermost zone is longer than its natural lashes, where the studio matches them. */
export const longCorner: Rule = (facts) =>
  facts.policy.corners !== "match"
    ? []
    : perPiece("longCorner", facts, (zone, piece): Finding[] => {
        const { limit } = zone;
        const { fibre } = piece;
        // Past the over-length limit the zone is over-extended, which says more.
        if (!limit.corner || fibre.lengthMm <= piece.limitMm + 1e-9 || fibre.lengthMm > piece.overLengthLimitMm + 1e-9) return [];
        const to = shortenTo(piece, piece.limitMm);
        return [
          {
            rule: "longCorner",
            severity: "look",
            where: at(zone),
            title: `${placeOf(zone)}, ${limit.corner} corner`,
            why: `${formatMm(fibre.lengthMm)} mm on lashes of ${formatMm(piece.shorterMm)}. This studio matches the corners and adds nothing.`,
            numbers: [
              { label: "Three quarters of the lashes reach", value: `${piece.shorterMm.toFixed(1)} mm` },
              { label: "Shortest in stock", value: piece.stockedMm[0] === undefined ? "none" : `${formatMm(piece.stockedMm[0])} mm` },
            ],
            source: "Studio policy, corners; common practice, the cautious school.",
            fix: {
              label: to === null ? "Leave bare" : `Shorten to ${formatMm(to)}`,
              apply: changeFibre(zone, piece, to === null ? null : { lengthMm: to }),
            },
          },
        ];
      });
