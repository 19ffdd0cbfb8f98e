import { mostCount } from "../../lash";
import { formatMm } from "../../units";
import { type Finding, type Fix, type Rule } from "../finding";
import { swapThroughout } from "./throughout";
import { followsZone } from "../pieces";
import { stockedLengths } from "../stock";
import { GROWING_ALLOWANCE, judgeLoad, LOAD_DAY } from "../zoneLimit";
import { at, changeFibre, perPiece, titled } from "./helpers";

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
    // A fan is made lighter by fewer fibres before it is made shorter.
    const { countTo: _, ...alike } = fibre;
    const counts = followsZone(piece.ref)
      ? []
      : Array.from({ length: Math.max(0, mostCount(fibre) - 2) }, (_, i) => mostCount(fibre) - 1 - i);
    const fewer = counts.map((count) => ({ ...alike, count })).find(light);
    const fix: Fix | null = thinner
      ? {
          label: `Take ${thinner.diameterMm.toFixed(2)}`,
          all: "Take a finer fibre in each",
          apply: changeFibre(zone, piece, { diameterMm: thinner.diameterMm }),
          ...swapThroughout(facts.trays, fibre, thinner),
        }
      : fewer
        ? {
            label: `Make it ${fewer.count}D`,
            all: "Fewer fibres in each",
            apply: changeFibre(zone, piece, { count: fewer.count, countTo: undefined }),
            ...swapThroughout(facts.trays, fibre, fewer),
          }
        : shorter !== undefined
          ? {
              label: `Shorten to ${formatMm(shorter)}`,
              all: "Shorten each to what it carries",
              apply: changeFibre(zone, piece, { lengthMm: shorter }),
            }
          : null;
    return [
      {
        rule: "loadOverLimit",
        severity: verdict,
        where: at(zone),
        ...titled(zone, "load"),
        by: load.growing,
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
        ...(fix ? { fix } : {}),
      },
    ];
  });
