import { formatMm } from "../../units";
import { setZoneLength } from "../edit";
import { type Finding, type Rule } from "../finding";
import { perZone, placeOf, shortenTo } from "./helpers";

/** Long corner: the innermost or outermost zone is longer than its natural lashes, where the studio matches them. */
export const longCorner: Rule = (facts) =>
  facts.policy.corners !== "match"
    ? []
    : perZone(facts, (zone): Finding[] => {
        const { fibre, limit } = zone;
        // Past the over-length limit the zone is over-extended, which says more.
        if (!fibre || !limit.corner || fibre.lengthMm <= limit.limitMm + 1e-9 || fibre.lengthMm > limit.overLengthLimitMm + 1e-9) return [];
        const to = shortenTo(zone, limit.limitMm);
        return [
          {
            rule: "longCorner",
            severity: "look",
            where: { side: zone.side, zones: [zone.index] },
            title: `${placeOf(zone)}, ${limit.corner} corner`,
            why: `${formatMm(fibre.lengthMm)} mm on lashes of ${formatMm(limit.shorterMm)}. This studio matches the corners and adds nothing.`,
            numbers: [
              { label: "Three quarters of the lashes reach", value: `${limit.shorterMm.toFixed(1)} mm` },
              { label: "Shortest in stock", value: zone.stockedMm[0] === undefined ? "none" : `${formatMm(zone.stockedMm[0])} mm` },
            ],
            source: "Studio policy, corners; common practice, the cautious school.",
            fix: {
              label: to === null ? "Leave bare" : `Shorten to ${formatMm(to)}`,
              apply: (map) => setZoneLength(map, zone.side, zone.index, to),
            },
          },
        ];
      });
