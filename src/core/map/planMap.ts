import { liftAndReach } from "../curl";
import { SIDES, otherSide, type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { fibreKind } from "./fibreKind";
import { hangFrom, PEAK_WITHIN_MM, type Hung } from "./hangFrom";
import { lashClasses } from "./lashClasses";
import { mixIn } from "./mixIn";
import { planBreaches, type Breach } from "./planBreaches";
import { planCuts, type Cut } from "./planCuts";
import { baseZones, groundOf, type Ground, type MapWish } from "./planGround";
import { planEye, planLayer, type LayerPlan, type LayerWish, type Zones } from "./planLayer";
import { accentGround, accentOver, accentsReach, LEAST_ACCENT_MM, lineLimits, longerAccents, planAccents, planUnder } from "./planLayers";
import type { LineLimits } from "./line";
import { PLAN_LIMITS, type PlanLimit } from "./planZones";
import type { Layer, LashMap } from "./schema";
import { markOf } from "./schools";
import { fibreCurl } from "./stock";
import type { Tray } from "./tray";

export type MapPlan = {
  readonly map: LashMap;
  /** Distance of the base layer to the look, roughness and texture lost, mm², both eyes together. */
  readonly objective: number;
  /** What the look was hung from, mm, per eye. */
  readonly longestMm: Readonly<Record<Side, number>>;
  /** Limits that could not all be kept, with place and amount. Empty as a rule. */
  readonly breaches: readonly Breach[];
  /** Wishes that the limits cut, with place and amount. */
  readonly cuts: readonly Cut[];
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
 * The map nearest to a look under studio limits and stock: exact (see planLine). Fills are never hidden by their own
 * lashes, corners match theirs, and the look hangs from the longest its peak reaches, or the longest wished for. Accents
 * are planned first and the base under them. A zone where nothing fits is left bare. What could not be kept, of limits or
 * of wishes, is named. Returns null only when nothing of this fibre is in stock.
 */
export function planMap(survey: Survey, wish: MapWish, policy: Policy, trays: readonly Tray[]): MapPlan | null {
  const ground = groundOf(survey, wish, policy, trays);
  if (ground.stocked.length === 0) return null;
  const zones = baseZones(ground);
  const hung = hangFrom(ground, zones, lineLimits(ground.policy));
  const accents = wish.accents ? accentsOf(ground, zones, hung) : null;
  const plan = planBase(ground, zones, { hung: accents?.baseHung ?? hung, accents });
  const base = toLayers(ground, zones, plan.lengthsMm);
  const under = wish.under ? planUnder(survey, base, wish.under, wish, ground.policy, trays) : null;
  const layersOf = (side: Side): Layer[] => [
    base[side],
    ...(accents ? [longerAccents(base[side], accents.layers[side])] : []),
    ...(under ? [under[side]] : []),
  ];
  const layers = { right: layersOf("right"), left: layersOf("left") };
  return {
    map: {
      ...wish,
      version: 2,
      differsOnPurpose: wish.coupling !== "mirrored",
      fibre: fibreKind(wish.fibre),
      eyes: { right: { layers: layers.right }, left: { layers: layers.left } },
    },
    objective: plan.objective,
    longestMm: hung.longestMm,
    breaches: planBreaches(layers, survey, ground.policy),
    cuts: planCuts({ ...ground, zones, layers, peak: hung.peak }),
  };
}

/**
 * What each limit costs a plan: the base layer planned again without it, at the same longest fibre. Limits that cost
 * nothing are left out, the dearest come first.
 */
export function limitCosts(survey: Survey, wish: MapWish, policy: Policy, trays: readonly Tray[]): LimitCost[] {
  const ground = groundOf(survey, wish, policy, trays);
  if (ground.stocked.length === 0) return [];
  const zones = baseZones(ground);
  const hung = hangFrom(ground, zones, lineLimits(ground.policy));
  const all = planBase(ground, zones, { hung });
  return PLAN_LIMITS.flatMap((limit): LimitCost[] => {
    const free = baseZones(ground, limit);
    const limits = without(lineLimits(ground.policy), limit);
    const capped = planBase(ground, free, { hung, limits });
    const longerZones = SIDES.reduce(
      (sum, side) => sum + capped.lengthsMm[side].filter((mm, i) => (mm ?? 0) > (all.lengthsMm[side][i] ?? 0) + 1e-9).length,
      0,
    );
    const costMm2 = Math.max(0, all.objective - capped.objective);
    const longest = ({ longestMm }: Hung) => Math.min(longestMm.right, longestMm.left);
    const longestMm = longest(hangFrom(ground, free, limits));
    return costMm2 > 1e-6 || longerZones > 0 || longestMm > longest(hung) ? [{ limit, costMm2, longerZones, longestMm }] : [];
  }).sort((a, b) => b.costMm2 - a.costMm2);
}

const without = (limits: LineLimits, limit: PlanLimit): LineLimits => ({
  stepMm: limit === "step" ? Infinity : limits.stepMm,
  outerDropMm: limit === "outerDrop" ? -Infinity : limits.outerDropMm,
  ...(limit === "outerDrop" || limits.longEndDropMm === undefined ? {} : { longEndDropMm: limits.longEndDropMm }),
});

type Accents = {
  readonly layers: Readonly<Record<Side, Layer>>;
  /** What the base hangs from so that it lies under them by what was wished. */
  readonly baseHung: Hung;
  /** The shortest accent over a zone of the base, mm; null where there is none. */
  readonly over: (side: Side, from: number, to: number) => number | null;
};

/** Accents follow the look as far as they reach; the base lies under them. */
function accentsOf(ground: Ground, zones: Zones, hung: Hung): Accents {
  const { wish, survey, policy, trays, dropOver } = ground;
  const accents = accentGround(survey, zones, wish.accents!, policy, trays);
  const { offsetMm } = wish.accents!;
  const reached = accentsReach(accents, wish.coupling);
  const of = (side: Side) => {
    const sections = accents.zones[side].map(({ corner, from, to }, i) => ({
      corner,
      dropMm: dropOver(side, from, to),
      mm: reached[side][i],
    }));
    const inLook = sections.filter(({ corner, mm }) => !corner && mm != null);
    const leastDropMm = Math.min(...inLook.map(({ dropMm }) => dropMm));
    const longest = Math.max(...inLook.filter(({ dropMm }) => dropMm <= leastDropMm + PEAK_WITHIN_MM).map(({ mm }) => mm!), 0);
    // Nothing to reach with: the base hangs as it would without accents.
    return inLook.length ? { leastDropMm, longestMm: longest } : { leastDropMm: 0, longestMm: Infinity };
  };
  const [right, left] = [of("right"), of("left")];
  const reach = wish.coupling === "mirrored" ? Math.min(right.longestMm, left.longestMm) : null;
  const longest = (side: Side, own: number) => Math.min(reach ?? own, hung.longestMm[side] + offsetMm);
  const longestMm = { right: longest("right", right.longestMm), left: longest("left", left.longestMm) };
  const leastDropMm = { right: right.leastDropMm, left: left.leastDropMm };
  const layers = planAccents(
    accents,
    zones,
    wish.coupling,
    (side, from, to) => longestMm[side] - (dropOver(side, from, to) - leastDropMm[side]),
  );
  return {
    layers,
    baseHung: { ...hung, longestMm: { right: longestMm.right - offsetMm, left: longestMm.left - offsetMm } },
    over: (side, from, to) => accentOver(layers[side], accents, side, from, to),
  };
}

function planBase(
  ground: Ground,
  zones: Zones,
  {
    hung,
    accents,
    limits = lineLimits(ground.policy),
  }: { readonly hung: Hung; readonly accents?: Accents | null; readonly limits?: LineLimits },
): LayerPlan {
  const { wish, drops } = ground;
  const tops = SIDES.map((side) => zones[side].map(({ from, to }) => accents?.over(side, from, to) ?? null));
  const over = { right: tops[0]!, left: tops[1]! };
  const layer: LayerWish = {
    offTarget: (side, i, mm) => mm - (hung.longestMm[side] - (drops[side][i]! - hung.leastDropMm[side])),
    shortMm: (side, i, mm) => {
      const top = over[side][i];
      return top == null || zones[side][i]!.corner ? 0 : Math.max(0, mm + LEAST_ACCENT_MM - top);
    },
    marks: wish.accents ? undefined : ground.edges.right.slice(1).map((_, i) => markOf(wish.school, i)),
  };
  return wish.coupling === "level" ? planLevel(ground, zones, layer, limits) : planLayer(zones, wish.coupling, limits, layer);
}

/**
 * Compensated eyes: the one that can carry less wears the look, the other is planned so that the lift seen at each of its
 * zones is the first one's, whatever way its lashes grow.
 */
function planLevel({ wish, trays, policy }: Ground, zones: Zones, layer: LayerWish, limits: LineLimits): LayerPlan {
  const carries = (side: Side) => zones[side].reduce((sum, { choices }) => sum + (choices.at(-1)?.lengthMm ?? 0), 0);
  const lead: Side = carries("right") <= carries("left") ? "right" : "left";
  const other = otherSide(lead);
  const first = planEye(zones, lead, limits, layer);
  const curl = fibreCurl(wish.fibre, trays, policy);
  const lift = (side: Side, i: number, mm: number) => liftAndReach(curl, mm, zones[side][i]!.limit.natural.angleDeg).liftMm;
  const second = planEye(zones, other, limits, {
    ...layer,
    offTarget: (side, i, mm) => {
      const seen = first.lengthsMm[i];
      return seen == null ? layer.offTarget(side, i, mm) : lift(side, i, mm) - lift(lead, i, seen);
    },
  });
  return {
    lengthsMm: lead === "right" ? { right: first.lengthsMm, left: second.lengthsMm } : { right: second.lengthsMm, left: first.lengthsMm },
    objective: first.objective + second.objective,
  };
}

function toLayers(
  { wish, stocked, policy, trays, edges }: Ground,
  zones: Zones,
  lengthsMm: Readonly<Record<Side, readonly (number | null)[]>>,
): Record<Side, Layer> {
  const layer = (side: Side): Layer => ({
    role: "base",
    boundaries: [...edges[side]],
    zones: lengthsMm[side].map((lengthMm, i) => {
      if (lengthMm === null) return null;
      const fibre = { ...wish.fibre, lengthMm };
      const { limit, corner } = zones[side][i]!;
      return {
        ...fibre,
        ...(corner ? {} : lashClasses(limit, fibre, wish, stocked, policy)),
        ...mixIn(limit, fibre, wish.hybrid, trays, policy),
      };
    }),
  });
  return { right: layer("right"), left: layer("left") };
}
