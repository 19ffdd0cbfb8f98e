import { formatMm } from "../../units";
import { setZoneLength } from "../edit";
import { type Finding, type Rule } from "../finding";
import { perZone, placeOf, shortenTo } from "./helpers";

/** Over-extended zone: a fibre stands further past the zone's shorter lashes than policy allows. */
export const overExtended: Rule = (facts) =>
  perZone(facts, (zone): Finding[] => {
    const { fibre, limit } = zone;
    if (!fibre || fibre.lengthMm <= limit.overLengthLimitMm + 1e-9) return [];
    const over = fibre.lengthMm - limit.shorterMm;
    const to = shortenTo(zone, limit.limitMm);
    return [
      {
        rule: "overExtended",
        severity: "stop",
        where: { side: zone.side, zones: [zone.index] },
        title: placeOf(zone),
        why: `${formatMm(fibre.lengthMm)} mm stands ${formatMm(over)} mm past a lash of ${formatMm(limit.shorterMm)}. The limit here is ${formatMm(limit.overLengthMm)}${limit.fine ? ", the lashes being fine" : ""}.`,
        numbers: [
          { label: "Three quarters of the lashes reach", value: `${limit.shorterMm.toFixed(1)} mm` },
          { label: "Usual lash in this zone", value: `${limit.natural.meanMm.toFixed(1)} mm` },
          { label: "Lashes this length would suit", value: `${Math.round(limit.suits(fibre.lengthMm) * 100)} %` },
          { label: "Tip past the lash, gap at the lid counted", value: `${formatMm(over + facts.policy.attachmentOffsetMm)} mm` },
        ],
        source: "Studio policy, over-length; common practice 2 to 3 mm.",
        fix: {
          label: to === null ? "Leave bare" : `Shorten to ${formatMm(to)}`,
          apply: (map) => setZoneLength(map, zone.side, zone.index, to),
        },
      },
    ];
  });
