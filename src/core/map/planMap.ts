import { liftAndReach } from "../curl";
import { SIDES, otherSide, type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { LOOKS } from "./looks";
import { dropCurve } from "./looks/dropCurve";
import { landmarksOf } from "./landmarksOf";
import { mapPolicy } from "./mapPolicy";
import { meanOver } from "./meanOver";
import { planAccents, planUnder } from "./planLayers";
import { planEyeTo, planLayer, type LayerPlan, type PlanZone } from "./planLayer";
import type { LineLimits } from "./planLine";
import { PLAN_LIMITS, planZones, type PlanLimit } from "./planZones";
import { planBreaches, type Breach } from "./planBreaches";
import type { FibreKind, Layer, LashMap } from "./schema";
import { belowLook, zoneEdges } from "./schools";
import { fibreCurl, stockedLengths } from "./stock";
import type { Tray } from "./tray";
import { lashClasses, wornPast } from "./lashClasses";
import { mixIn } from "./mixIn";

/** What a technician chooses; the planner does the rest. */
export type MapWish = Omit<LashMap, "version" | "differsOnPurpose" | "eyes">;

export type MapPlan = {
  readonly map: LashMap;
  /** Distance of the base layer to the look plus roughness, mm², both eyes together. */
  readonly objective: number;
  /** The longest fibre the look was hung from, mm, per eye. */
  readonly longestMm: Readonly<Record<Side, number>>;
  /** Limits that cannot all hold: giving up any one of these would leave a plan. Empty as a rule. */
  readonly clash: readonly PlanLimit[];
  /** Where limits clash, what the plan with the least total breach breaks, and by how much. */
  readonly breaches: readonly Breach[];
};

/** What one limit of a plan costs. */
export type LimitCost = {
  readonly limit: PlanLimit;
  /** The objective with it less without it, mm², at the same longest fibre. */
  readonly costMm2: number;
  /** Zones that would wear a longer fibre without it, both eyes. */
  readonly longerZones: number;
  /** What the look would hang from without it, mm. */
  readonly longestMm: number;
};

/**
 * The map nearest to a look under studio limits and stock: exact (see planLine). The look is hung from the longest
 * fibre wished for, or else the longest that its peak zone allows. A zone where no stocked length is allowed is left
 * bare. Where limits clash the plan with the smallest total breach is given, and named. Accents and the under layer are
 * planned upon the base, each as exactly. Returns null only when nothing of this fibre is in stock.
 */
export function planMap(survey: Survey, wish: MapWish, policy: Policy, trays: readonly Tray[]): MapPlan | null {
  const ground = groundOf(survey, wish, policy, trays);
  if (ground.stocked.length === 0) return null;
  const baseLayer = planBase(ground) ?? planBase(ground, { soft: true })!;
  const clash =
    baseLayer.plan.breach > 0 ? PLAN_LIMITS.filter((limit) => planBase(ground, { without: limit }) !== null) : ([] as PlanLimit[]);
  const base = toLayers(ground, baseLayer.plan.lengthsMm);
  const accents = wish.accents ? planAccents(survey, base, wish.accents, wish, ground.policy, trays) : null;
  const under = wish.under ? planUnder(survey, base, wish.under, wish, ground.policy, trays) : null;
  const layersOf = (side: Side): Layer[] => [base[side], ...(accents ? [accents[side]] : []), ...(under ? [under[side]] : [])];
  const layers = { right: layersOf("right"), left: layersOf("left") };
  return {
    map: {
      ...wish,
      version: 2,
      differsOnPurpose: wish.coupling !== "mirrored",
      fibre: fibreKind(wish.fibre),
      eyes: { right: { layers: layers.right }, left: { layers: layers.left } },
    },
    objective: baseLayer.plan.objective,
    longestMm: baseLayer.longestMm,
    clash,
    breaches: planBreaches(layers, survey, ground.policy),
  };
}

/**
 * What each limit costs a plan: the base layer planned again without it, at the same longest fibre. Limits that cost
 * nothing are left out, the dearest come first.
 */
export function limitCosts(survey: Survey, wish: MapWish, policy: Policy, trays: readonly Tray[]): LimitCost[] {
  const ground = groundOf(survey, wish, policy, trays);
  const all = ground.stocked.length ? planBase(ground) : null;
  if (!all) return [];
  return PLAN_LIMITS.flatMap((limit): LimitCost[] => {
    const capped = planBase(ground, { without: limit, longestMm: all.longestMm });
    const free = planBase(ground, { without: limit });
    if (!capped || !free) return [];
    const longerZones = SIDES.reduce(
      (sum, side) => sum + capped.plan.lengthsMm[side].filter((mm, i) => (mm ?? 0) > (all.plan.lengthsMm[side][i] ?? 0) + 1e-9).length,
      0,
    );
    const costMm2 = Math.max(0, all.plan.objective - capped.plan.objective);
    const longestMm = Math.min(free.longestMm.right, free.longestMm.left);
    const hangsLower = longestMm > Math.min(all.longestMm.right, all.longestMm.left);
    return costMm2 > 1e-6 || longerZones > 0 || hangsLower ? [{ limit, costMm2, longerZones, longestMm }] : [];
  }).sort((a, b) => b.costMm2 - a.costMm2);
}

/** All that a base plan stands on, both eyes. */
type Ground = {
  readonly survey: Survey;
  readonly wish: MapWish;
  readonly policy: Policy;
  readonly trays: readonly Tray[];
  readonly stocked: readonly number[];
  readonly edges: Readonly<Record<Side, readonly number[]>>;
  readonly drops: Readonly<Record<Side, readonly number[]>>;
};

function groundOf(survey: Survey, wish: MapWish, studioPolicy: Policy, trays: readonly Tray[]): Ground {
  const policy = mapPolicy(studioPolicy, wish);
  const landmarks = (side: Side) => landmarksOf(wish, survey, side);
  const edges = { right: zoneEdges(wish.school, landmarks("right"), "right"), left: zoneEdges(wish.school, landmarks("left"), "left") };
  const drops = (side: Side) => {
    // By natural class there are no places: every lash wears what it can carry.
    if (wish.school.id === "byClass") return edges[side].slice(1).map(() => 0);
    const look = wish.bend ? { handles: wish.bend } : LOOKS[wish.look];
    const drop = dropCurve(look, landmarks(side));
    const zones = edges[side].length - 1;
    return edges[side].slice(1).map((to, i) => meanOver(drop, edges[side][i]!, to) + belowLook(wish.school, i, zones));
  };
  return {
    survey,
    wish,
    policy,
    trays,
    stocked: stockedLengths(trays, wish.fibre),
    edges,
    drops: { right: drops("right"), left: drops("left") },
  };
}

function planBase(
  ground: Ground,
  options: { readonly soft?: boolean; readonly without?: PlanLimit; readonly longestMm?: Record<Side, number> } = {},
): { plan: LayerPlan; longestMm: Record<Side, number> } | null {
  const { survey, wish, policy, drops } = ground;
  const { without, soft = false } = options;
  const zonesOf = (side: Side) =>
    planZones(survey.eyes[side], ground.edges[side], wish.fibre, ground.stocked, policy, {
      without,
      wornPastMm: wish.lashClasses ? (limit) => wornPast(limit, wish.lashClasses!) : undefined,
    });
  const zones = { right: zonesOf("right"), left: zonesOf("left") };
  const limits: LineLimits = {
    stepMm: without === "step" ? Infinity : policy.stepMm,
    outerDropMm: without === "outerDrop" ? -Infinity : policy.outerDropMm,
    soft,
  };
  const peak = (side: Side) => {
    const lowest = Math.min(...drops[side]);
    const choices = zones[side][drops[side].indexOf(lowest)]?.allowed ?? [];
    return choices.at(-1) ?? Math.max(ground.stocked[0] ?? 0, ...zones[side].flatMap(({ allowed }) => allowed));
  };
  const peaks = { right: peak("right"), left: peak("left") };
  const common = wish.longestMm ?? Math.min(peaks.right, peaks.left);
  const longestMm = options.longestMm ?? (wish.coupling === "each" && wish.longestMm === null ? peaks : { right: common, left: common });
  const off = (side: Side, i: number, lengthMm: number) => lengthMm - (longestMm[side] - drops[side][i]!);
  if (wish.coupling === "level") {
    const plan = planLevel(ground, zones, off, limits, peaks);
    return plan && { plan, longestMm };
  }
  const plan = planLayer(zones, off, wish.coupling, limits);
  return plan && { plan, longestMm };
}

/**
 * Compensated eyes: the one that can carry less wears the look, the other is planned so that the lift seen at each of its
 * zones is the first one's, whatever way its lashes grow.
 */
function planLevel(
  { survey, wish, trays, policy }: Ground,
  zones: Readonly<Record<Side, readonly PlanZone[]>>,
  off: (side: Side, i: number, lengthMm: number) => number,
  limits: LineLimits,
  peaks: Record<Side, number>,
): LayerPlan | null {
  const carries = (side: Side) => zones[side].reduce((sum, { allowed }) => sum + (allowed.at(-1) ?? 0), 0);
  const lead: Side =
    peaks.right !== peaks.left ? (peaks.right < peaks.left ? "right" : "left") : carries("right") <= carries("left") ? "right" : "left";
  const other = otherSide(lead);
  const first = planEyeTo(zones[lead], (i, mm) => off(lead, i, mm), limits);
  if (!first) return null;
  const curl = fibreCurl(wish.fibre, trays, policy);
  const lift = (side: Side, i: number, mm: number) => liftAndReach(curl, mm, zones[side][i]!.limit.natural.angleDeg).liftMm;
  const second = planEyeTo(
    zones[other],
    (i, mm) => {
      const seen = first.lengthsMm[i];
      return seen == null ? off(other, i, mm) : lift(other, i, mm) - lift(lead, i, seen);
    },
    limits,
  );
  if (!second || survey.eyes[other] === undefined) return null;
  return {
    lengthsMm: { [lead]: first.lengthsMm, [other]: second.lengthsMm } as Record<Side, readonly (number | null)[]>,
    objective: first.objective + second.objective,
    breach: first.breach + second.breach,
  };
}

function toLayers(ground: Ground, lengthsMm: Readonly<Record<Side, readonly (number | null)[]>>): Record<Side, Layer> {
  const layer = (side: Side): Layer => {
    const eye = ground.survey.eyes[side];
    const zones = planZones(eye, ground.edges[side], ground.wish.fibre, ground.stocked, ground.policy);
    return {
      role: "base",
      boundaries: [...ground.edges[side]],
      zones: lengthsMm[side].map((lengthMm, i) => {
        if (lengthMm === null) return null;
        const fibre = { ...ground.wish.fibre, lengthMm };
        const { limit } = zones[i]!;
        return {
          ...fibre,
          ...lashClasses(limit, fibre, ground.wish.lashClasses, ground.stocked, ground.policy),
          ...mixIn(limit, fibre, ground.wish.hybrid, ground.trays, ground.policy),
        };
      }),
    };
  };
  return { right: layer("right"), left: layer("left") };
}

/** A fibre without its length, and nothing else that came with it. */
export const fibreKind = ({ curl, diameterMm, shape, count, countTo, opening, colour }: FibreKind): FibreKind => ({
  curl,
  diameterMm,
  shape,
  count,
  ...(countTo ? { countTo } : {}),
  ...(opening ? { opening } : {}),
  ...(colour ? { colour } : {}),
});
