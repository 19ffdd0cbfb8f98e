import { SIDES, type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { lengthOver, loadOver, type PlanLimit } from "./planZones";
import type { Layer } from "./schema";
import { zoneLimit } from "./zoneLimit";

/** One limit broken at one place, by how much: mm, for load the index past the stop. */
export type Breach = { readonly limit: PlanLimit; readonly side: Side; readonly zones: readonly number[]; readonly by: number };

/** All that a base layer breaks, in the order of the zones. */
export function planBreaches(bases: Readonly<Record<Side, Layer>>, survey: Survey, policy: Policy): Breach[] {
  return SIDES.flatMap((side) => {
    const { zones, boundaries } = bases[side];
    const last = zones.length - 1;
    return zones.flatMap((fibre, i): Breach[] => {
      if (!fibre) return [];
      const limit = zoneLimit(
        survey.eyes[side],
        { from: boundaries[i]!, to: boundaries[i + 1]!, first: i === 0, last: i === last },
        policy,
      );
      const { overLength, corner } = lengthOver(limit, fibre.lengthMm);
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
      return all.flatMap(([name, by, where]) => (by > 1e-9 ? [{ limit: name, side, zones: where, by }] : []));
    });
  });
}
