import { SIDES } from "../../eye";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { lineLimits } from "../planLayers";
import { LONG_END_MM, outerDropAt } from "../line";
import { at, changeFibre, titled, shortenTo } from "./helpers";

/** Drooping outer end: the outermost zone of a layer is not far enough below its inner neighbour. */
export const droopingOuterEnd: Rule = (facts) =>
  SIDES.flatMap((side) =>
    facts.layers[side].flatMap((zones): Finding[] => {
      const last = zones.at(-1);
      const before = zones.at(-2);
      if (!last?.fibre || !before?.fibre) return [];
      const drop = before.fibre.lengthMm - last.fibre.lengthMm;
      const long = last.fibre.lengthMm >= LONG_END_MM;
      const wanted = outerDropAt(last.fibre.lengthMm, lineLimits(facts.policy));
      if (drop >= wanted - 1e-9) return [];
      const to = shortenTo(last, before.fibre.lengthMm - wanted);
      return [
        {
          rule: "droopingOuterEnd",
          // The studio's own drop is kept; only what is usual at this length is not.
          severity: drop >= facts.policy.outerDropMm - 1e-9 ? "note" : "look",
          where: at(last),
          ...titled(last, "outer corner"),
          by: -drop,
          why:
            drop > 0
              ? `The last zone drops ${formatMm(drop)} mm; ${long ? `from ${LONG_END_MM} mm on ${formatMm(wanted)} is usual` : `this studio wants ${formatMm(wanted)}`}.`
              : `The last zone is ${drop === 0 ? "as long as" : "longer than"} the one before. It drags the eye down, the more so as lashes fall out. If the look is meant to peak at the end, set the drop aside on this map.`,
          numbers: [
            { label: `Before it`, value: `${formatMm(before.fibre.lengthMm)} mm` },
            { label: `The last`, value: `${formatMm(last.fibre.lengthMm)} mm` },
          ],
          source: "Studio policy, outer drop; common practice 1 to 2 mm.",
          fix: {
            label: to === null ? "Leave bare" : `Drop to ${formatMm(to)}`,
            all: "Drop both",
            apply: changeFibre(last, { ref: "main" }, to === null ? null : { lengthMm: to }),
          },
        },
      ];
    }),
  );
