import { setZone, setZoneLength } from "../edit";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { stockedLengths } from "../stock";
import { GROWING_ALLOWANCE, judgeLoad, LOAD_DAY } from "../zoneLimit";
import { perZone, placeOf } from "./helpers";

/** Load over the limit: the usual lash of a zone is asked to carry more than policy allows, now or by day 21. */
export const loadOverLimit: Rule = (facts) =>
  perZone(facts, (zone): Finding[] => {
    const { fibre, limit } = zone;
    if (!fibre) return [];
    const load = limit.loadOf(fibre);
    const verdict = judgeLoad(load, fibre.count, facts.policy);
    if (verdict === "fine") return [];
    const light = (candidate: typeof fibre) => judgeLoad(limit.loadOf(candidate), candidate.count, facts.policy) === "fine";
    const shorter = zone.stockedMm.filter((mm) => mm < fibre.lengthMm && light({ ...fibre, lengthMm: mm })).at(-1);
    const thinner = facts.trays
      .filter((tray) => tray.curl === fibre.curl && tray.shape === fibre.shape && tray.diameterMm < fibre.diameterMm)
      .map((tray) => ({ ...fibre, diameterMm: tray.diameterMm }))
      .filter((candidate) => light(candidate) && stockedLengths(facts.trays, candidate).includes(fibre.lengthMm))
      .sort((a, b) => b.diameterMm - a.diameterMm)[0];
    const fix = thinner
      ? { label: `Take ${thinner.diameterMm.toFixed(2)}`, to: thinner }
      : shorter !== undefined
        ? { label: `Shorten to ${formatMm(shorter)}`, to: { ...fibre, lengthMm: shorter } }
        : null;
    return [
      {
        rule: "loadOverLimit",
        severity: verdict,
        where: { side: zone.side, zones: [zone.index] },
        title: `${placeOf(zone)}, load`,
        why: `Resting lashes carry ${load.resting.toFixed(2)} × the ordinary classic lash, growing ones up to ${load.growing.toFixed(2)} × by day ${LOAD_DAY}.`,
        numbers: [
          { label: "Natural lash here", value: `${limit.natural.diameterMm.toFixed(3)} mm thick` },
          { label: "Caution from", value: `${(fibre.count > 1 ? facts.policy.loadAmberFan : facts.policy.loadAmber).toFixed(2)} ×` },
          { label: "Stop from", value: `${facts.policy.loadRed.toFixed(2)} ×` },
          { label: `At day ${LOAD_DAY} both are raised to`, value: `${GROWING_ALLOWANCE} times that` },
        ],
        source:
          "A model of ours: moment at the root over natural thickness to the 2.5, beside 0.15 × 12 on a medium lash. A comparison, not a strength.",
        ...(fix
          ? {
              fix: {
                label: fix.label,
                apply: (map) =>
                  fix.to.diameterMm === fibre.diameterMm
                    ? setZoneLength(map, zone.side, zone.index, fix.to.lengthMm)
                    : setZone(map, zone.side, zone.index, fix.to),
              },
            }
          : {}),
      },
    ];
  });
