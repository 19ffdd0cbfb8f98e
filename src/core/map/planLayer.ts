import { SIDES, type Side } from "../eye";
import { MICRO, planLine, type LineLimits, type LinePlan, type ZoneChoices } from "./planLine";
import type { LashMap } from "./schema";
import type { ZoneLimit } from "./zoneLimit";

/** One zone to be planned: how much of the line it is, and what each of its lengths would cost and break. */
export type PlanZone = {
  readonly limit: ZoneLimit;
  readonly from: number;
  readonly to: number;
  /** Share of the lash line × number of zones, so that cutting the line finer does not change what matters. */
  readonly weight: number;
  /** Lengths the limits allow, mm ascending. */
  readonly allowed: readonly number[];
  /** All stocked lengths with what each breaks, mm and load index added up; what a soft plan chooses from. */
  readonly broken: readonly { readonly lengthMm: number; readonly by: number }[];
};
type Zones = Readonly<Record<Side, readonly PlanZone[]>>;

export type LayerPlan = {
  readonly lengthsMm: Readonly<Record<Side, readonly (number | null)[]>>;
  readonly objective: number;
  readonly breach: number;
};

const squared = (zone: PlanZone, off: number) => Math.round(MICRO * zone.weight * off ** 2);
const choicesOf = (zone: PlanZone, soft: boolean) =>
  zone.allowed.length === 0 ? [] : soft ? zone.broken : zone.allowed.map((lengthMm) => ({ lengthMm, by: 0 }));

/**
 * One layer of both eyes, each zone as near to its target as the limits let it (see planLine). Mirrored, one line is worn
 * by both eyes under the tighter limit of each pair of zones. Otherwise each eye has its own. A zone with nothing allowed
 * is left bare. Null when hard limits leave no plan.
 */
export function planLayer(
  zones: Zones,
  offTarget: (side: Side, index: number, lengthMm: number) => number,
  coupling: "mirrored" | "each",
  limits: LineLimits,
): LayerPlan | null {
  const soft = limits.soft ?? false;
  const cost = (side: Side, i: number, lengthMm: number) => squared(zones[side][i]!, offTarget(side, i, lengthMm));
  if (coupling === "each") {
    const [right, left] = SIDES.map((side) => planEye(zones[side], (i, mm) => cost(side, i, mm), limits));
    if (!right || !left) return null;
    return {
      lengthsMm: { right: right.lengthsMm, left: left.lengthsMm },
      objective: right.objective + left.objective,
      breach: right.breach + left.breach,
    };
  }
  const shared: ZoneChoices[] = zones.right.map((_, i) => {
    const worn = SIDES.filter((side) => zones[side][i]!.allowed.length > 0);
    if (worn.length === 0) return [];
    const distance = (lengthMm: number) => worn.reduce((sum, side) => sum + cost(side, i, lengthMm), 0);
    if (soft) {
      const by = (side: Side, lengthMm: number) => zones[side][i]!.broken.find((choice) => choice.lengthMm === lengthMm)?.by;
      return zones[worn[0]!][i]!.broken.flatMap(({ lengthMm }) => {
        const each = worn.map((side) => by(side, lengthMm));
        if (each.some((over) => over === undefined)) return [];
        return [{ lengthMm, distance: distance(lengthMm), breach: each.reduce<number>((sum, over) => sum + Math.round(MICRO * over!), 0) }];
      });
    }
    const [first, ...others] = worn.map((side) => zones[side][i]!.allowed);
    return first!.filter((mm) => others.every((allowed) => allowed.includes(mm))).map((mm) => ({ lengthMm: mm, distance: distance(mm) }));
  });
  const line = planLine(shared, limits);
  if (!line) return null;
  const wornBy = (side: Side) => line.lengthsMm.map((mm, i) => (zones[side][i]!.allowed.length > 0 ? mm : null));
  return { lengthsMm: { right: wornBy("right"), left: wornBy("left") }, objective: line.objective, breach: line.breach };
}

/** One eye's line. `cost` in micro-mm². */
export function planEye(
  zones: readonly PlanZone[],
  cost: (index: number, lengthMm: number) => number,
  limits: LineLimits,
): LinePlan | null {
  return planLine(
    zones.map((zone, i) =>
      choicesOf(zone, limits.soft ?? false).map(({ lengthMm, by }) => ({
        lengthMm,
        distance: cost(i, lengthMm),
        breach: Math.round(MICRO * by),
      })),
    ),
    limits,
  );
}

/** One eye's line by how far each length stands from its target, mm. */
export function planEyeTo(zones: readonly PlanZone[], offTarget: (index: number, lengthMm: number) => number, limits: LineLimits) {
  return planEye(zones, (i, mm) => squared(zones[i]!, offTarget(i, mm)), limits);
}

export type Coupling = LashMap["coupling"];
