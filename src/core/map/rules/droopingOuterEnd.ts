import { SIDES } from "../../eye";
import { formatMm } from "../../units";
import { setZoneLength } from "../edit";
import { type Finding, type Rule } from "../finding";
import { placeOf, shortenTo } from "./helpers";

/** Drooping outer end: the outermost zone is not far enough below its inner neighbour. */
export const droopingOuterEnd: Rule = (facts) =>
  SIDES.flatMap((side): Finding[] => {
    const last = facts.zones[side].at(-1);
    const before = facts.zones[side].at(-2);
    if (!last?.fibre || !before?.fibre) return [];
    const drop = before.fibre.lengthMm - last.fibre.lengthMm;
    if (drop >= facts.policy.outerDropMm - 1e-9) return [];
    const to = shortenTo(last, before.fibre.lengthMm - facts.policy.outerDropMm);
    return [
      {
        rule: "droopingOuterEnd",
        severity: "look",
        where: { side, zones: [last.index] },
        title: `${placeOf(last)}, outer corner`,
        why:
          drop > 0
            ? `The last zone drops ${formatMm(drop)} mm; this studio wants ${formatMm(facts.policy.outerDropMm)}.`
            : `The last zone is ${drop === 0 ? "as long as" : "longer than"} the one before. It drags the eye down, the more so as lashes fall out.`,
        numbers: [
          { label: `Zone ${before.index + 1}`, value: `${formatMm(before.fibre.lengthMm)} mm` },
          { label: `Zone ${last.index + 1}`, value: `${formatMm(last.fibre.lengthMm)} mm` },
        ],
        source: "Studio policy, outer drop; common practice 1 to 2 mm.",
        fix: {
          label: to === null ? "Leave bare" : `Drop to ${formatMm(to)}`,
          apply: (map) => setZoneLength(map, side, last.index, to),
        },
      },
    ];
  });
