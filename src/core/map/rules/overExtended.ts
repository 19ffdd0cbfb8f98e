import { anMm, formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { at, changeFibre, perPiece, placeOf, shortenTo } from "./helpers";

/** Over-extended zone: a fibre stands further past the shorter of the lashes that wear it than policy allows. */
export const overExtended: Rule = (facts) =>
  perPiece("overExtended", facts, (zone, piece): Finding[] => {
    const { limit } = zone;
    const { fibre } = piece;
    if (piece.share === 0 || fibre.lengthMm <= piece.overLengthLimitMm + 1e-9) return [];
    const over = fibre.lengthMm - piece.shorterMm;
    const to = shortenTo(piece, piece.limitMm);
    const wanted = fibre.lengthMm - limit.overLengthMm;
    return [
      {
        rule: "overExtended",
        severity: "stop",
        where: at(zone),
        title: placeOf(zone),
        by: over - limit.overLengthMm,
        why:
          `${formatMm(fibre.lengthMm)} mm stands ${formatMm(over)} mm past a lash of ${formatMm(piece.shorterMm)}. ` +
          `The limit here is ${formatMm(limit.overLengthMm)}${limit.fine ? ", the lashes being fine" : ""}: ${anMm(fibre.lengthMm)} wants a lash of ${formatMm(wanted)}.`,
        numbers: [
          {
            label: zone.role === "accent" ? "Three quarters of the lashes picked for it reach" : "Three quarters of the lashes reach",
            value: `${piece.shorterMm.toFixed(1)} mm`,
          },
          { label: "Usual lash in this zone", value: `${limit.usualMm.toFixed(1)} mm` },
          { label: "Lashes this length would suit", value: `${Math.round(limit.suits(fibre.lengthMm) * 100)} %` },
          { label: "Tip past the lash, gap at the lid counted", value: `${formatMm(over + facts.policy.attachmentOffsetMm)} mm` },
        ],
        source: "Studio policy, over-length; common practice 2 to 3 mm.",
        fix: {
          label: to === null ? "Leave bare" : `Shorten to ${formatMm(to)}`,
          all: "Shorten each to its limit",
          apply: changeFibre(zone, piece, to === null ? null : { lengthMm: to }),
        },
      },
    ];
  });
