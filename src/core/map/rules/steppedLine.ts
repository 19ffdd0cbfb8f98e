import { SIDES } from "../../eye";
import { isStepped } from "../layers";
import { formatMm } from "../../units";
import { type Finding, type Rule } from "../finding";
import { changeFibre, pairPlace } from "./helpers";

/** Stepped line: neighbouring zones of one layer differ by more than policy allows. */
export const steppedLine: Rule = (facts) =>
  SIDES.flatMap((side) =>
    facts.layers[side].flatMap((zones) =>
      zones.slice(1).flatMap((zone, i): Finding[] => {
        const before = zones[i]!;
        if (!zone.fibre || !before.fibre || !isStepped(facts.map.eyes[side].layers[zone.layer]!, zone.index)) return [];
        const step = Math.abs(zone.fibre.lengthMm - before.fibre.lengthMm);
        if (step <= facts.policy.stepMm + 1e-9) return [];
        const [taller, lower] = zone.fibre.lengthMm > before.fibre.lengthMm ? [zone, before] : [before, zone];
        const lowerMm = lower.fibre!.lengthMm;
        // Only ever downwards: a longer neighbour could break a limit that a shorter one cannot.
        const to = taller.stockedMm.filter((mm) => mm <= lowerMm + facts.policy.stepMm && mm >= lowerMm - facts.policy.stepMm).at(-1);
        return [
          {
            rule: "steppedLine",
            severity: "look",
            where: { side, zones: [before.index, zone.index], ...(zone.role === "base" ? {} : { layer: zone.layer }) },
            title: pairPlace(side, zone.role, before.index, zone.index),
            why: `${formatMm(before.fibre.lengthMm)} beside ${formatMm(zone.fibre.lengthMm)}: a step of ${formatMm(step)} mm shows in the line. The limit here is ${formatMm(facts.policy.stepMm)}.`,
            numbers: [
              { label: "Step", value: `${formatMm(step)} mm` },
              { label: "Usual", value: "1 mm" },
            ],
            source: "Studio policy, step; common practice 1 mm, 2 at most.",
            ...(to === undefined
              ? {}
              : {
                  fix: {
                    label: `${taller.role === "base" ? "Zone" : "Number"} ${taller.index + 1} to ${formatMm(to)}`,
                    apply: changeFibre(taller, { ref: "main" }, { lengthMm: to }),
                  },
                }),
          },
        ];
      }),
    ),
  );
