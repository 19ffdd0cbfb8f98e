import { WIDEST_CORNER, type EyeSurvey, type FieldLash } from "../eye";
import { mostCount, type FibreBody } from "../lash";
import type { Policy } from "../policy";
import type { FibreKind } from "./schema";
import { CORNER_DROP_MM, FLOOR_BELOW_MM, GROWING_ALLOWANCE, judgeLoad, zoneLimit, type ZoneLimit } from "./zoneLimit";

/** Limits of the planner, those that never give way first. */
export const PLAN_LIMITS = ["overLength", "load", "natural", "outerDrop", "corner", "step"] as const;
export type PlanLimit = (typeof PLAN_LIMITS)[number];

/** A length a zone may be planned in, mm, and how far it lies below what matches a corner. */
export type PlanChoice = { readonly lengthMm: number; readonly belowMm: number };

/** One zone to be planned: how much of the line it is, and what it may carry. */
export type PlanZone = {
  readonly limit: ZoneLimit;
  readonly from: number;
  readonly to: number;
  /** An end zone whose length its own lashes decide, whatever the look says. */
  readonly corner: boolean;
  /** Wide, and its lashes told apart by their own length: it has no one length to step from. */
  readonly byLash: boolean;
  /** Share of the lash line × number of zones, so that cutting the line finer does not change what matters. */
  readonly weight: number;
  /** Ascending; empty where the zone is left bare. */
  readonly choices: readonly PlanChoice[];
};

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

type Options = {
  /** A limit left aside. */
  readonly without?: PlanLimit | undefined;
  /** Is this a fill, which no lash may hide? Accents and the under layer are not. */
  readonly fill?: boolean;
  /** The eye's lashes picked for this layer. */
  readonly picked?: readonly FieldLash[] | undefined;
  /** On which lashes of the zone the planned fibre is worn: those past a natural length. */
  readonly wornPastMm?: ((limit: ZoneLimit) => number) | undefined;
  readonly bareBelowRows?: number | undefined;
};

/** The zones of one layer of one eye with the stocked lengths each may be planned in. */
export function planZones(
  eye: EyeSurvey,
  edges: readonly number[],
  kind: FibreKind,
  stockedMm: readonly number[],
  policy: Policy,
  options: Options = {},
): PlanZone[] {
  const { without, picked, wornPastMm, fill = false, bareBelowRows = 0 } = options;
  const count = edges.length - 1;
  return edges.slice(1).map((to, i) => {
    const from = edges[i]!;
    const limit = zoneLimit(eye, { from, to, first: i === 0, last: i === count - 1 }, policy, picked);
    const corner = limit.corner !== null && policy.corners === "match" && without !== "corner";
    // A corner's lashes are not told apart.
    const byLash = corner ? undefined : wornPastMm;
    const worn = byLash ? limit.among(byLash(limit), Infinity) : limit;
    const carried = stockedMm.filter(
      (lengthMm) =>
        (without === "overLength" || lengthOver(worn, lengthMm).overLength === 0) &&
        (without === "load" || loadOver(limit, { ...kind, lengthMm }, policy) === 0),
    );
    const choices =
      limit.natural.rows < bareBelowRows
        ? []
        : corner
          ? cornerChoices(limit, carried, stockedMm, options)
          : fill && without !== "natural"
            ? fillChoices(carried, ...(byLash ? [] : [limit.floorMm]), worn.usualMm - FLOOR_BELOW_MM)
            : asTheyAre(carried);
    return { limit, from, to, corner, byLash: byLash !== undefined && to - from > WIDEST_CORNER, weight: (to - from) * count, choices };
  });
}

const asTheyAre = (lengths: readonly number[]): PlanChoice[] => lengths.map((lengthMm) => ({ lengthMm, belowMm: 0 }));

/** Nothing that its own lashes hide; where not even that may be carried, the longest that may. */
function fillChoices(carried: readonly number[], ...floorsMm: readonly number[]): PlanChoice[] {
  for (const floorMm of floorsMm) {
    const seen = carried.filter((mm) => mm >= floorMm - 1e-9);
    if (seen.length) return asTheyAre(seen);
  }
  return asTheyAre(carried.slice(-1));
}

/** Accents in a corner: its match, over a base that lies below it for the drop, or the next. */
const CORNER_ACCENTS = 2;

/** So far below its lashes a corner still wears what is in stock rather than stay bare, mm. A model of this product. */
const CORNER_AT_LEAST_MM = 1.5;

/**
 * What a corner may wear: what matches its usual lash, or, for the drop outside, the next below. Where the match is too
 * heavy the longest that may be carried; where nothing in stock is near, nothing. Accents stand up to a millimetre over.
 */
function cornerChoices(
  limit: ZoneLimit,
  carried: readonly number[],
  stockedMm: readonly number[],
  { fill = false, picked, without }: Options,
): PlanChoice[] {
  const within = carried.filter((mm) => mm <= limit.limitMm + 1e-9);
  if (!fill) return asTheyAre(picked ? within.slice(-CORNER_ACCENTS) : within);
  const best = stockedMm.filter((mm) => mm <= limit.limitMm + 1e-9).at(-1);
  if (best === undefined || best < limit.usualMm - CORNER_AT_LEAST_MM) return [];
  const worn = within.at(-1);
  if (worn === undefined) return [];
  // Without the natural lash as its floor a corner may be as short as anything; with it, one below for the drop.
  const least = without === "natural" ? 0 : limit.corner === "outer" ? worn - CORNER_DROP_MM : worn;
  return within.filter((mm) => mm >= least - 1e-9).map((lengthMm) => ({ lengthMm, belowMm: worn - lengthMm }));
}
