import { FIBRE_LENGTHS_MM } from "../../lash";
import { formatMm } from "../../units";
import { setZoneLength } from "../edit";
import { type Finding, type Rule } from "../finding";
import { perZone, placeOf, shortenTo } from "./helpers";

/** Practice length on a client: fibres past 18 mm are for mannequin heads. */
export const practiceLength: Rule = (facts) =>
  perZone(facts, (zone): Finding[] => {
    if (!zone.fibre || zone.fibre.lengthMm <= FIBRE_LENGTHS_MM.longestWorn) return [];
    const to = shortenTo(zone, Math.min(FIBRE_LENGTHS_MM.longestWorn, zone.limit.limitMm));
    return [
      {
        rule: "practiceLength",
        severity: "stop",
        where: { side: zone.side, zones: [zone.index] },
        title: placeOf(zone),
        why: `${formatMm(zone.fibre.lengthMm)} mm is a length for practice heads, never for a client.`,
        numbers: [{ label: "Longest worn", value: `${FIBRE_LENGTHS_MM.longestWorn} mm` }],
        source: "Common practice.",
        fix: {
          label: to === null ? "Leave bare" : `Shorten to ${formatMm(to)}`,
          apply: (map) => setZoneLength(map, zone.side, zone.index, to),
        },
      },
    ];
  });
