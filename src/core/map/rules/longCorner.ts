import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { at, changeFibre, perPiece, titled, shortenTo } from "./helpers";

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
            ...titled(zone, `${limit.corner} corner`),
            by: fibre.lengthMm - piece.limitMm,
            why:
              `${formatMm(fibre.lengthMm)} mm on lashes of usually ${formatMm(limit.usualMm)}. ` +
              (zone.role === "accent"
                ? "In a corner accents stand one millimetre over it at most."
                : "This studio matches the corners and adds nothing."),
            numbers: [
              { label: "Usual lash in this corner", value: `${limit.usualMm.toFixed(1)} mm` },
              { label: "Shortest in stock", value: piece.stockedMm[0] === undefined ? "none" : `${formatMm(piece.stockedMm[0])} mm` },
            ],
            source: "Studio policy, corners; common practice, the cautious school.",
            fix: {
              label: to === null ? "Leave bare" : `Shorten to ${formatMm(to)}`,
              all: "Match each to its lashes",
              apply: changeFibre(zone, piece, to === null ? null : { lengthMm: to }),
            },
          },
        ];
      });
