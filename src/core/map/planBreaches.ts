import { SIDES, type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { lengthOver, loadOver, type PlanLimit } from "./planZones";
import type { Layer } from "./schema";
import { zoneLimit } from "./zoneLimit";

/** One limit broken at one place, by how much: mm, for load the index past the stop. */
export type Breach = {
  readonly limit: PlanLimit;
  readonly side: Side;
  readonly layer: number;
  readonly zones: readonly number[];
  readonly by: number;
};

/** All that planned layers break, layer by layer in the order of their zones. */
export function planBreaches(layers: Readonly<Record<Side, readonly Layer[]>>, survey: Survey, policy: Policy): Breach[] {
  return SIDES.flatMap((side) => layers[side].flatMap((layer, index) => layerBreaches(layer, index, side, survey, policy)));
}

function layerBreaches({ zones, boundaries, placing }: Layer, layer: number, side: Side, survey: Survey, policy: Policy): Breach[] {
  const last = zones.length - 1;
  return zones.flatMap((fibre, i): Breach[] => {
    if (!fibre) return [];
    const edges = { from: boundaries[i]!, to: boundaries[i + 1]!, first: i === 0, last: i === last };
    const limit = zoneLimit(survey.eyes[side], edges, policy, placing);
    // Where lashes are told apart the zone's own fibre is worn by the longest of them only.
    const worn = limit.among(fibre.classes?.at(-1)?.upToMm ?? 0, Infinity);
    const { overLength, corner } = lengthOver(worn, fibre.lengthMm);
    const before = zones[i - 1];
    const step = before ? Math.abs(before.lengthMm - fibre.lengthMm) - policy.stepMm : 0;
    const drop = before && i === last ? fibre.lengthMm - (before.lengthMm - policy.outerDropMm) : 0;
    const all: [PlanLimit, number, number[]][] = [
      ["overLength", overLength, [i]],
      ["corner", corner, [i]],
      ["load", loadOver(limit, fibre, policy), [i]],
      ["step", step, [i - 1, i]],
      ["outerDrop", drop, [i]],
    ];
    return all.flatMap(([name, by, where]) => (by > 1e-9 ? [{ limit: name, side, layer, zones: where, by }] : []));
  });
}
