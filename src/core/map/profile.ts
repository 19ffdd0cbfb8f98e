import { SIDES, type Side } from "@/core/eye";
import { baseLayer } from "./layers";
import type { LashMap } from "./schema";

/** The base layer of a map as steps, to be drawn at a glance: where each zone lies (0 inner corner .. 1 outer) and how long it is. */
export type MapProfile = Readonly<Record<Side, readonly (readonly [from: number, to: number, lengthMm: number])[]>>;

/** Zones that stay bare are left out. */
export function mapProfile(map: LashMap): MapProfile {
  const steps = (side: Side) => {
    const { boundaries, zones } = baseLayer(map, side);
    return zones.flatMap((fibre, i) => (fibre ? [[boundaries[i]!, boundaries[i + 1]!, fibre.lengthMm] as const] : []));
  };
  return Object.fromEntries(SIDES.map((side) => [side, steps(side)])) as Record<Side, ReturnType<typeof steps>>;
}
