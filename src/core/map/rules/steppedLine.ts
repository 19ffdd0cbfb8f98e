import { SIDES } from "../../eye";
import { isStepped } from "../layers";
import { formatMm } from "../../units";
import { NARROWEST_ZONE, setZoneLength, splitZone } from "../edit";
import type { ZoneFacts } from "../facts";
import { type Finding, type Rule } from "../finding";
import type { LashMap } from "../schema";
import { markOf } from "../schools";
import { changeFibre, pairPlace } from "./helpers";

/** Stepped line: neighbouring zones of one layer differ by more than policy allows. */
export const steppedLine: Rule = (facts) =>
  SIDES.flatMap((side) =>
    facts.layers[side].flatMap((zones) =>
      zones.slice(1).flatMap((zone, i): Finding[] => {
        const before = zones[i]!;
        if (!zone.fibre || !before.fibre || !isStepped(facts.map.eyes[side].layers[zone.layer]!, zone.index)) return [];
        const step = Math.abs(zone.fibre.lengthMm - before.fibre.lengthMm);
        if (step <= facts.policy.stepMm + 1e-9 || isTexture(facts.map, zone, step)) return [];
        const [taller, lower] = zone.fibre.lengthMm > before.fibre.lengthMm ? [zone, before] : [before, zone];
        const lowerMm = lower.fibre!.lengthMm;
        // Only ever downwards: a longer neighbour could break a limit that a shorter one cannot.
        const within = taller.stockedMm.filter((mm) => mm <= lowerMm + facts.policy.stepMm && mm >= lowerMm - facts.policy.stepMm).at(-1);
        // Its own lashes would hide it: only the part beside the lower zone comes down.
        const hidden = taller.role === "base" && within !== undefined && within < taller.limit.floorMm - 1e-9;
        const to = hidden ? undefined : within;
        const cut = within !== undefined && hidden && taller.to - taller.from >= 2 * NARROWEST_ZONE ? within : undefined;
        return [
          {
            rule: "steppedLine",
            severity: "look",
            where: { side, zones: [before.index, zone.index], ...(zone.role === "base" ? {} : { layer: zone.layer, role: zone.role }) },
            title: pairPlace(side, zone.role, before.index, zone.index),
            by: step,
            why: `${formatMm(before.fibre.lengthMm)} beside ${formatMm(zone.fibre.lengthMm)}: a step of ${formatMm(step)} mm shows in the line. The limit here is ${formatMm(facts.policy.stepMm)}.`,
            numbers: [
              { label: "Step", value: `${formatMm(step)} mm` },
              { label: "Usual", value: "1 mm" },
            ],
            source: "Studio policy, step; common practice 1 mm, 2 at most.",
            ...(cut === undefined
              ? {}
              : {
                  fix: {
                    label: `Cut zone ${taller.index + 1} in two`,
                    all: "Cut the zones in two",
                    apply: (map: LashMap) => {
                      const once = splitZone(map, side, taller.layer, taller.index);
                      const half = taller.index + (lower.index > taller.index ? 1 : 0);
                      return setZoneLength(once, side, half, cut, taller.layer);
                    },
                  },
                }),
            ...(to === undefined
              ? {}
              : {
                  fix: {
                    label: `${taller.role === "base" ? "Zone" : "Number"} ${taller.index + 1} to ${formatMm(to)}`,
                    all: "Lower each to the step",
                    apply: changeFibre(taller, { ref: "main" }, { lengthMm: to }),
                  },
                }),
          },
        ];
      }),
    ),
  );

/** Long on the marks and short between is a texture of steps made on purpose, up to 2 mm. Common practice. */
const TEXTURE_STEP_MM = 2;
const isTexture = (map: LashMap, zone: ZoneFacts, stepMm: number) =>
  zone.role === "base" && stepMm <= TEXTURE_STEP_MM + 1e-9 && markOf(map.school, zone.index) !== undefined;
