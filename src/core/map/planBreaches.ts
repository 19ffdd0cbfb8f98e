import { SIDES, type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { isStepped } from "./layers";
import { zonePieces } from "./pieces";
import { lineLimits, pickedFor } from "./planLayers";
import { outerDropAt } from "./line";
import { lengthOver, loadOver, type PlanLimit } from "./planZones";
import type { Layer } from "./schema";
import { leastFillMm, zoneLimit } from "./zoneLimit";

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

function layerBreaches(planned: Layer, layer: number, side: Side, survey: Survey, policy: Policy): Breach[] {
  const { zones, boundaries, role } = planned;
  const last = zones.length - 1;
  const picked = pickedFor(survey, side, planned);
  const limits = lineLimits(policy);
  return zones.flatMap((fibre, i): Breach[] => {
    if (!fibre) return [];
    const edges = { from: boundaries[i]!, to: boundaries[i + 1]!, first: i === 0, last: i === last };
    const limit = zoneLimit(survey.eyes[side], edges, policy, picked);
    const over = zonePieces(fibre).map((piece) => ({
      ...lengthOver(limit.among(piece.fromMm, piece.toMm), piece.fibre.lengthMm),
      load: loadOver(limit, piece.fibre, policy),
    }));
    const most = (of: "overLength" | "corner" | "load") => Math.max(...over.map((piece) => piece[of]));
    const own = limit.among(fibre.classes?.at(-1)?.upToMm ?? 0, Infinity);
    const floorMm = leastFillMm(own.usualMm, limit.corner);
    const before = zones[i - 1];
    const step = before && isStepped(planned, i) ? Math.abs(before.lengthMm - fibre.lengthMm) - limits.stepMm : 0;
    const drop = before && i === last ? fibre.lengthMm - (before.lengthMm - outerDropAt(fibre.lengthMm, limits)) : 0;
    const all: [PlanLimit, number, number[]][] = [
      ["overLength", most("overLength"), [i]],
      ["corner", most("corner"), [i]],
      ["load", most("load"), [i]],
      ["natural", role === "base" ? floorMm - fibre.lengthMm : 0, [i]],
      ["step", step, [i - 1, i]],
      ["outerDrop", drop, [i]],
    ];
    return all.flatMap(([name, by, where]) => (by > 1e-9 ? [{ limit: name, side, layer, zones: where, by }] : []));
  });
}
