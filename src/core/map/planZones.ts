import type { EyeSurvey } from "../eye";
import { mostCount, type FibreBody } from "../lash";
import type { Policy } from "../policy";
import type { PlanZone } from "./planLayer";
import type { FibreKind, AccentPlacing } from "./schema";
import { GROWING_ALLOWANCE, judgeLoad, zoneLimit, type ZoneLimit } from "./zoneLimit";

/** Hard limits of the planner. */
export const PLAN_LIMITS = ["outerDrop", "step", "corner", "load", "overLength"] as const;
export type PlanLimit = (typeof PLAN_LIMITS)[number];

/** How far a load stands past the stop, as load index; on growing lashes by the raised one. 0 where it may be worn. */
export function loadOver(limit: ZoneLimit, fibre: FibreBody & { readonly countTo?: number | undefined }, policy: Policy): number {
  const load = limit.loadOf(fibre);
  if (judgeLoad(load, mostCount(fibre), policy) !== "stop") return 0;
  // At the stop itself nothing is over it and yet it stops: the least there is.
  return Math.max(1e-6, load.resting - policy.loadRed, load.growing / GROWING_ALLOWANCE - policy.loadRed);
}

/** Millimetres past the over-length limit, and past what a corner adds within it. */
export function lengthOver(limit: { overLengthLimitMm: number; limitMm: number }, lengthMm: number) {
  const overLength = Math.max(0, lengthMm - limit.overLengthLimitMm - 1e-9);
  const corner = Math.max(0, Math.min(lengthMm, limit.overLengthLimitMm) - limit.limitMm - 1e-9);
  return { overLength, corner };
}

/**
 * The zones of one layer of one eye with every stocked length judged. `without` leaves one limit aside; `longestOf` says
 * on which lashes of the zone the planned fibre is worn (those past a natural length).
 */
export function planZones(
  eye: EyeSurvey,
  edges: readonly number[],
  kind: FibreKind,
  stockedMm: readonly number[],
  policy: Policy,
  options: {
    readonly without?: PlanLimit | undefined;
    readonly placing?: AccentPlacing | undefined;
    readonly wornPastMm?: ((limit: ZoneLimit) => number) | undefined;
    readonly bareBelowRows?: number | undefined;
  } = {},
): PlanZone[] {
  const { without, placing, wornPastMm, bareBelowRows = 0 } = options;
  const count = edges.length - 1;
  return edges.slice(1).map((to, i) => {
    const from = edges[i]!;
    const limit = zoneLimit(eye, { from, to, first: i === 0, last: i === count - 1 }, policy, placing);
    const worn = wornPastMm ? limit.among(wornPastMm(limit), Infinity) : limit;
    const broken = stockedMm.map((lengthMm) => {
      const { overLength, corner } = lengthOver(worn, lengthMm);
      return {
        lengthMm,
        by:
          (without === "overLength" ? 0 : overLength) +
          (without === "corner" ? 0 : corner) +
          (without === "load" ? 0 : loadOver(limit, { ...kind, lengthMm }, policy)),
      };
    });
    const allowed = limit.natural.rows < bareBelowRows ? [] : broken.filter(({ by }) => by === 0).map(({ lengthMm }) => lengthMm);
    return { limit, from, to, weight: (to - from) * count, allowed, broken };
  });
}
