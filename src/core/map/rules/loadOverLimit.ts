import { mostCount } from "../../lash";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { followsZone } from "../pieces";
import { stockedLengths } from "../stock";
import { GROWING_ALLOWANCE, judgeLoad, LOAD_DAY } from "../zoneLimit";
import { at, changeFibre, perPiece, placeOf } from "./helpers";

/** Load over the limit: the usual lash of a zone is asked to carry more than policy allows, now or by day 21. */
export const loadOverLimit: Rule = (facts) =>
  perPiece("loadOverLimit", facts, (zone, piece): Finding[] => {
    const { limit } = zone;
    const { fibre, load } = piece;
    const verdict = judgeLoad(load, mostCount(fibre), facts.policy);
    if (verdict === "fine") return [];
    const light = (candidate: typeof fibre) => judgeLoad(limit.loadOf(candidate), mostCount(candidate), facts.policy) === "fine";
    const shorter = piece.stockedMm.filter((mm) => mm < fibre.lengthMm && light({ ...fibre, lengthMm: mm })).at(-1);
    // A class wears its zone's own kind of fibre, so only its length can change.
    const thinner = followsZone(piece.ref)
      ? undefined
      : facts.trays
          .filter((tray) => tray.curl === fibre.curl && tray.shape === fibre.shape && tray.diameterMm < fibre.diameterMm)
          .map((tray) => ({ ...fibre, diameterMm: tray.diameterMm }))
          .filter((candidate) => light(candidate) && stockedLengths(facts.trays, candidate).includes(fibre.lengthMm))
          .filter((candidate) =>
            zone.pieces.every((other) => !followsZone(other.ref) || stockedLengths(facts.trays, candidate).includes(other.fibre.lengthMm)),
          )
          .sort((a, b) => b.diameterMm - a.diameterMm)[0];
    const fix = thinner
      ? { label: `Take ${thinner.diameterMm.toFixed(2)}`, to: { diameterMm: thinner.diameterMm } }
      : shorter !== undefined
        ? { label: `Shorten to ${formatMm(shorter)}`, to: { lengthMm: shorter } }
        : null;
    return [
      {
        rule: "loadOverLimit",
        severity: verdict,
        where: at(zone),
        title: `${placeOf(zone)}, load`,
        why: `Resting lashes carry ${load.resting.toFixed(2)} × the ordinary classic lash, growing ones up to ${load.growing.toFixed(2)} × by day ${LOAD_DAY}.`,
        numbers: [
          { label: "Natural lash here", value: `${limit.natural.diameterMm.toFixed(3)} mm thick` },
          { label: "Growing up to day 14", value: `${load.day14.toFixed(2)} ×` },
          {
            label: "Caution from",
            value: `${(mostCount(fibre) > 1 ? facts.policy.loadAmberFan : facts.policy.loadAmber).toFixed(2)} ×`,
          },
          { label: "Stop from", value: `${facts.policy.loadRed.toFixed(2)} ×` },
          { label: `At day ${LOAD_DAY} both are raised to`, value: `${GROWING_ALLOWANCE} times that` },
        ],
        source:
          "A model of ours: moment at the root over natural thickness to the 2.5, beside 0.15 × 12 on a medium lash. A comparison, not a strength.",
        ...(fix ? { fix: { label: fix.label, apply: changeFibre(zone, piece, fix.to) } } : {}),
      },
    ];
  });
