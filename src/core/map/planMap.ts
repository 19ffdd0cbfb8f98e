import { SIDES, type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { LOOKS } from "./looks";
import { dropCurve } from "./looks/dropCurve";
import { MICRO, planLine, type LineLimits, type LinePlan, type ZoneChoices } from "./planLine";
import type { FibreKind, LashMap } from "./schema";
import { zoneEdges } from "./schools";
import { stockedLengths } from "./stock";
import type { Tray } from "./tray";
import { judgeLoad, zoneLimit, type ZoneLimit } from "./zoneLimit";

/** What a technician chooses; the planner does the rest. */
export type MapWish = Pick<LashMap, "title" | "look" | "school" | "fibre" | "longestMm" | "coupling">;

/** Hard limits of the planner, in the order in which they would be given up. */
export const PLAN_LIMITS = ["outerDrop", "step", "load", "overLength"] as const;
export type PlanLimit = (typeof PLAN_LIMITS)[number];

export type MapPlan = {
  readonly map: LashMap;
  /** mm²; both eyes together. */
  readonly objective: number;
  /** The longest fibre the look was hung from, mm, per eye. */
  readonly longestMm: Readonly<Record<Side, number>>;
  /** Limits that cannot all hold; the plan given breaks these and no others. Empty as a rule. */
  readonly clash: readonly PlanLimit[];
};

type ZonePlan = { limit: ZoneLimit; weight: number; drop: number };

/**
 * The map nearest to a look under studio limits and stock: exact (see planLine). The look is hung from the longest
 * fibre wished for, or else the longest that its peak zone allows. Mirrored, one line is worn by both eyes under the
 * tighter limit of each pair of zones; otherwise each eye is planned by itself. A zone where no stocked length is
 * allowed is left bare. Returns null only when nothing of this fibre is in stock.
 */
export function planMap(survey: Survey, wish: MapWish, policy: Policy, trays: readonly Tray[]): MapPlan | null {
  const stocked = stockedLengths(trays, wish.fibre);
  if (stocked.length === 0) return null;
  const edges = { right: zoneEdges(wish.school, survey.eyes.right.landmarks), left: zoneEdges(wish.school, survey.eyes.left.landmarks) };
  const zones = { right: zonePlans(survey, "right", edges.right, wish, policy), left: zonePlans(survey, "left", edges.left, wish, policy) };

  for (const given of subsetsBySize(PLAN_LIMITS)) {
    const enforced = (limit: PlanLimit) => !given.includes(limit);
    const allowed = (zone: ZonePlan) =>
      stocked.filter(
        (lengthMm) =>
          (!enforced("overLength") || lengthMm <= zone.limit.limitMm + 1e-9) &&
          (!enforced("load") || judgeLoad(zone.limit.loadOf({ ...wish.fibre, lengthMm }), wish.fibre.count, policy) !== "stop"),
      );
    const lineLimits: LineLimits = {
      stepMm: enforced("step") ? policy.stepMm : Infinity,
      outerDropMm: enforced("outerDrop") ? policy.outerDropMm : -Infinity,
    };
    const plan = planBothEyes(zones, allowed, wish, lineLimits);
    if (plan) return { ...plan, map: toMap(wish, edges, plan.lengthsMm), clash: given };
  }
  return null;
}

function planBothEyes(
  zones: Record<Side, ZonePlan[]>,
  allowed: (zone: ZonePlan) => number[],
  wish: MapWish,
  limits: LineLimits,
): { lengthsMm: Record<Side, readonly (number | null)[]>; objective: number; longestMm: Record<Side, number> } | null {
  const choices = { right: zones.right.map(allowed), left: zones.left.map(allowed) };
  const peak = (side: Side) => {
    const lowestDrop = Math.min(...zones[side].map((zone) => zone.drop));
    const peakZone = zones[side].findIndex((zone) => zone.drop === lowestDrop);
    return choices[side][peakZone]?.at(-1) ?? Math.max(0, ...choices[side].flat());
  };
  const mirrored = wish.coupling === "mirrored";
  const common = wish.longestMm ?? Math.min(peak("right"), peak("left"));
  const longestMm = {
    right: mirrored ? common : (wish.longestMm ?? peak("right")),
    left: mirrored ? common : (wish.longestMm ?? peak("left")),
  };
  const distance = (side: Side, i: number, lengthMm: number) => {
    const zone = zones[side][i]!;
    return Math.round(MICRO * zone.weight * (lengthMm - (longestMm[side] - zone.drop)) ** 2);
  };

  if (!mirrored) {
    const lines = SIDES.map((side) =>
      planLine(
        choices[side].map((lengths, i) => lengths.map((lengthMm) => ({ lengthMm, distance: distance(side, i, lengthMm) }))),
        limits,
      ),
    );
    const [right, left] = lines as [LinePlan | null, LinePlan | null];
    if (!right || !left) return null;
    return { lengthsMm: { right: right.lengthsMm, left: left.lengthsMm }, objective: right.objective + left.objective, longestMm };
  }

  const shared: ZoneChoices[] = zones.right.map((_, i) => {
    const worn = SIDES.filter((side) => choices[side][i]!.length > 0);
    if (worn.length === 0) return [];
    // Allowed lengths are all that are stocked up to a limit, so the tighter eye's choices suit both.
    const tighter = worn.map((side) => choices[side][i]!).sort((a, b) => a.length - b.length)[0]!;
    return tighter.map((lengthMm) => ({ lengthMm, distance: worn.reduce((sum, side) => sum + distance(side, i, lengthMm), 0) }));
  });
  const line = planLine(shared, limits);
  if (!line) return null;
  const wornBy = (side: Side) => line.lengthsMm.map((lengthMm, i) => (choices[side][i]!.length > 0 ? lengthMm : null));
  return { lengthsMm: { right: wornBy("right"), left: wornBy("left") }, objective: line.objective, longestMm };
}

function zonePlans(survey: Survey, side: Side, edges: number[], wish: MapWish, policy: Policy): ZonePlan[] {
  const eye = survey.eyes[side];
  const drop = dropCurve(LOOKS[wish.look], eye.landmarks);
  const count = edges.length - 1;
  return edges.slice(1).map((to, i) => {
    const from = edges[i]!;
    const samples = 8;
    const mean = Array.from({ length: samples }, (_, k) => drop(from + ((k + 0.5) / samples) * (to - from)));
    return {
      limit: zoneLimit(eye, { from, to, first: i === 0, last: i === count - 1 }, policy),
      // A zone counts by its width, so that cutting the line finer does not change what matters.
      weight: (to - from) * count,
      drop: mean.reduce((sum, d) => sum + d, 0) / samples,
    };
  });
}

function toMap(wish: MapWish, edges: Record<Side, number[]>, lengthsMm: Record<Side, readonly (number | null)[]>): LashMap {
  const eye = (side: Side) => ({
    layers: [
      {
        role: "base" as const,
        boundaries: edges[side],
        zones: lengthsMm[side].map((lengthMm) => (lengthMm === null ? null : { ...fibreKind(wish.fibre), lengthMm })),
      },
    ],
  });
  return {
    version: 1,
    title: wish.title,
    look: wish.look,
    school: wish.school,
    fibre: fibreKind(wish.fibre),
    longestMm: wish.longestMm,
    coupling: wish.coupling,
    differsOnPurpose: wish.coupling === "each",
    eyes: { right: eye("right"), left: eye("left") },
  };
}

const fibreKind = ({ curl, diameterMm, shape, count }: FibreKind): FibreKind => ({ curl, diameterMm, shape, count });

/** All subsets, the empty one first, then by size; of equal size in the order given. */
function subsetsBySize<T>(items: readonly T[]): T[][] {
  return Array.from({ length: 2 ** items.length }, (_, mask) => items.filter((_, i) => mask & (1 << i))).sort(
    (a, b) => a.length - b.length,
  );
}
