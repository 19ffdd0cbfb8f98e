import { SIDES, type Side } from "../eye";
import { MICRO, type LineChoice, type LineLimits, type LineZone } from "./line";
import { planLine } from "./planLine";
import { reachable } from "./reachable";
import type { LashMap } from "./schema";
import type { PlanChoice, PlanZone } from "./planZones";

export type Zones = Readonly<Record<Side, readonly PlanZone[]>>;
/** One line worn by both eyes, or a line for each. */
export type PlannedTogether = "mirrored" | "each";

export const togetherOf = (coupling: LashMap["coupling"]): PlannedTogether => (coupling === "mirrored" ? "mirrored" : "each");

/** What a layer is planned towards. */
export type LayerWish = {
  /** How far a length stands from its target, mm; of corners it is not asked. */
  readonly offTarget: (side: Side, index: number, lengthMm: number) => number;
  /** How far short of their least the accents over a length come, mm. */
  readonly shortMm?: (side: Side, index: number, lengthMm: number) => number;
  /** Zones on the marks of a texture and those between. */
  readonly marks?: readonly LineZone["mark"][] | undefined;
};

export type LayerPlan = {
  readonly lengthsMm: Readonly<Record<Side, readonly (number | null)[]>>;
  readonly objective: number;
};

/** A line as it is planned: for one eye or both, with whose lengths it holds. */
type Line = { readonly sides: readonly Side[]; readonly zones: readonly LineZone[] };

const NO_TARGET: LayerWish = { offTarget: () => 0 };

/** The lines a layer is planned in. Alike, both eyes are one line, and only where their own lashes ask do they part. */
function linesOf(zones: Zones, together: PlannedTogether, wish: LayerWish): Line[] {
  const choice = (worn: readonly (readonly [Side, PlanChoice])[], i: number, lengthsMm: readonly number[]): LineChoice => {
    let [distance, belowMm, shortMm] = [0, 0, 0];
    for (const [side, { lengthMm, belowMm: below }] of worn) {
      const zone = zones[side][i]!;
      if (!zone.corner) distance += Math.round(MICRO * zone.weight * wish.offTarget(side, i, lengthMm) ** 2);
      belowMm += below;
      shortMm += wish.shortMm?.(side, i, lengthMm) ?? 0;
    }
    return { lengthsMm, distance, belowMm, shortMm };
  };
  const zoneOf = (i: number, corner: boolean, choices: LineChoice[]): LineZone => {
    const mark = corner ? undefined : wish.marks?.[i];
    const byLash = SIDES.some((side) => zones[side][i]?.byLash);
    return { choices, corner, byLash, ...(mark ? { mark } : {}) };
  };
  if (together === "each")
    return SIDES.map((side) => ({
      sides: [side],
      zones: zones[side].map(({ corner, choices }, i) =>
        zoneOf(
          i,
          corner,
          choices.map((one) => choice([[side, one]], i, [one.lengthMm])),
        ),
      ),
    }));
  return [
    {
      sides: SIDES,
      zones: zones.right.map((right, i) => {
        const left = zones.left[i]!;
        const corner = right.corner && left.corner;
        const alone = (side: Side) => zones[side][i]!.choices.map((one) => choice([[side, one]], i, [one.lengthMm, one.lengthMm]));
        // Where one eye can wear nothing the other wears the line.
        if (right.choices.length === 0 || left.choices.length === 0)
          return zoneOf(i, corner, alone(left.choices.length ? "left" : "right"));
        const both = pairs(right.choices, left.choices, corner);
        return zoneOf(
          i,
          corner,
          both.map(([r, l]) =>
            choice(
              [
                ["right", r],
                ["left", l],
              ],
              i,
              [r.lengthMm, l.lengthMm],
            ),
          ),
        );
      }),
    },
  ];
}

/** What two mirrored zones wear together: the same where they can, else what is nearest. Corners each match their own lashes. */
function pairs(right: readonly PlanChoice[], left: readonly PlanChoice[], corner: boolean): (readonly [PlanChoice, PlanChoice])[] {
  const same = right.flatMap((r) => left.filter(({ lengthMm }) => lengthMm === r.lengthMm).map((l) => [r, l] as const));
  const all = right.flatMap((r) => left.map((l) => [r, l] as const));
  if (corner) return all.sort((a, b) => a[0].lengthMm + a[1].lengthMm - b[0].lengthMm - b[1].lengthMm);
  if (same.length) return same;
  const apart = ([r, l]: readonly [PlanChoice, PlanChoice]) => Math.abs(r.lengthMm - l.lengthMm);
  const least = Math.min(...all.map(apart));
  return all.filter((pair) => apart(pair) <= least + 1e-9);
}

/**
 * One layer of both eyes, each zone as near to its target as the limits let it (see planLine). Alike, one line is worn by
 * both eyes, and they part only where their own lashes leave no length for both. A zone with no choice is left bare.
 */
export function planLayer(zones: Zones, together: PlannedTogether, limits: LineLimits, wish: LayerWish): LayerPlan {
  const lengthsMm: Record<Side, (number | null)[]> = { right: [], left: [] };
  let objective = 0;
  for (const { sides, zones: line } of linesOf(zones, together, wish)) {
    const plan = planLine(line, limits);
    objective += plan.objective;
    sides.forEach((side, eye) => {
      lengthsMm[side] = plan.lengthsMm.map((lengths, i) => (zones[side][i]!.choices.length ? (lengths?.[eye] ?? null) : null));
    });
  }
  return { lengthsMm, objective };
}

/** One eye's line, planned by itself. */
export function planEye(zones: Zones, side: Side, limits: LineLimits, wish: LayerWish) {
  const line = linesOf(zones, "each", wish).find(({ sides }) => sides[0] === side)!;
  const { lengthsMm, objective } = planLine(line.zones, limits);
  return { lengthsMm: lengthsMm.map((lengths) => lengths?.[0] ?? null), objective };
}

/** The longest each zone reaches in a line that keeps drop, corners and step as well as any, mm; null where it is bare. */
export function longestReached(zones: Zones, together: PlannedTogether, limits: LineLimits): Record<Side, (number | null)[]> {
  const longest: Record<Side, (number | null)[]> = { right: [], left: [] };
  for (const { sides, zones: line } of linesOf(zones, together, NO_TARGET)) {
    const reached = reachable(line, limits).map((lengths) => lengths.at(-1) ?? null);
    for (const side of sides) longest[side] = reached;
  }
  return longest;
}
