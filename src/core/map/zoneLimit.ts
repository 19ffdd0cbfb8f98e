import { naturalLashAt, naturalZone, WIDEST_CORNER, type EyeSurvey, type FieldLash, type NaturalZone } from "../eye";
import { grownMm } from "../growth";
import { mostCount, type Fibre } from "../lash";
import { loadIndex } from "../load";
import type { Policy } from "../policy";

/** Share of a zone's lashes that stay below the length its limit is read from. */
export const LIMIT_PERCENTILE = 0.25;
/** Length taken as full grown for a zone: all but the longest twentieth are shorter. A model of this product. */
export const FULL_GROWN_PERCENTILE = 0.95;
/** Natural lashes up to this mean diameter are judged by the limit for fine ones, mm. Between fine and medium. */
export const FINE_UP_TO_MM = 0.07;
/** Later days are judged on growing lashes with caution and stop raised by this. A model of this product. */
export const GROWING_ALLOWANCE = 1.35;
/** The day load is looked ahead to: three weeks is pushing a fill. */
export const LOAD_DAY = 21;
/** A length so near to the usual lash matches it, mm; half way between two lengths the shorter does. Common practice. */
export const MATCH_WITHIN_MM = 0.5;
/** No fill is shorter than the usual lash of its zone less this, mm: below it is hidden and only weighs. Common practice. */
export const FLOOR_BELOW_MM = 0.5;
/** For the drop the outer corner may lie so far below what matches it, mm. Common practice. */
export const CORNER_DROP_MM = 1;
/** The shortest fill a stretch's usual lash does not hide, mm; the outer corner may lie below it for the drop. */
export const leastFillMm = (usualMm: number, corner: ZoneLimit["corner"]): number =>
  usualMm - FLOOR_BELOW_MM - (corner === "outer" ? CORNER_DROP_MM : 0);
/** Accents in a corner stand no more than this over what matches it, mm. Common practice. */
export const CORNER_ACCENT_MM = 1;

/** Load index of a fibre: worn on day 0 and on a resting lash, and what a growing one comes to by later days. */
export type Load = { readonly resting: number; readonly day14: number; readonly growing: number };

/** What a zone may carry, and why. Lengths in mm. */
export type ZoneLimit = {
  readonly natural: NaturalZone;
  /** Its usual lash: half of those that can carry an extension are longer. */
  readonly usualMm: number;
  /** A fill shorter than this is hidden by its own lashes. In a wide zone read where its lashes are longest. */
  readonly floorMm: number;
  /** Length that three quarters of the lashes worn on reach. */
  readonly shorterMm: number;
  readonly corner: "inner" | "outer" | null;
  readonly fine: boolean;
  /** What its usual growing lash lacks of its full length, mm. */
  readonly growthLeftMm: number;
  /** Over-length allowed here by policy, the corner rule left aside. */
  readonly overLengthMm: number;
  /** Longest fibre by over-length alone. */
  readonly overLengthLimitMm: number;
  /** Longest fibre once the corner rule is counted too. */
  readonly limitMm: number;
  /** The same for those of its lashes that lie between two natural lengths only. */
  readonly among: (
    fromMm: number,
    toMm: number,
  ) => { shorterMm: number; usualMm: number; overLengthLimitMm: number; limitMm: number; share: number };
  /** Share of the zone's lashes that a length suits: those it stands past by no more than is allowed here, 0..1. */
  readonly suits: (lengthMm: number) => number;
  readonly loadOf: (fibre: Pick<Fibre, "lengthMm" | "diameterMm" | "shape" | "count" | "countTo">) => Load;
};

export type ZoneEdges = { readonly from: number; readonly to: number; readonly first: boolean; readonly last: boolean };

/**
 * Limits of one zone of a layer. `first` and `last` say whether it touches a corner. Accents are set on lashes picked for
 * them (`picked`, those of the whole eye): theirs is read from the very lashes picked in the zone.
 */
export function zoneLimit(eye: EyeSurvey, edges: ZoneEdges, policy: Policy, picked?: readonly FieldLash[]): ZoneLimit {
  let known = limits.get(eye);
  if (!known || known.policy !== policy || known.zones.size > 400) limits.set(eye, (known = { policy, zones: new Map() }));
  const key = `${edges.from} ${edges.to} ${edges.first} ${edges.last}`;
  const kept = known.zones.get(key);
  const same = kept?.find((entry) => entry.picked === picked);
  if (same) return same.limit;
  const limit = reckon(eye, edges, policy, picked);
  known.zones.set(key, [...(kept ?? []).slice(-3), { picked, limit }]);
  return limit;
}

/** The planner, the rules and every repaint ask for the same zones again and again. */
type Known = readonly { readonly picked: readonly FieldLash[] | undefined; readonly limit: ZoneLimit }[];
const limits = new WeakMap<EyeSurvey, { policy: Policy; zones: Map<string, Known> }>();

function reckon(eye: EyeSurvey, edges: ZoneEdges, policy: Policy, picked?: readonly FieldLash[]): ZoneLimit {
  const natural = naturalZone(eye, edges.from, edges.to);
  const pickedMm = (picked ?? [])
    .filter(({ at }) => (edges.first || at > edges.from) && (edges.last || at <= edges.to))
    .map(({ lengthMm }) => lengthMm)
    .sort((a, b) => a - b);
  // A quarter of the lashes picked are shorter than the one their limit is read from, as near as whole lashes come.
  const pickedShorterMm = pickedMm[Math.ceil(pickedMm.length * LIMIT_PERCENTILE - 0.5)];
  const shorterMm = toTenthBelow(pickedShorterMm ?? natural.quantileMm(LIMIT_PERCENTILE));
  const usualMm = toThousandth(natural.quantileMm(0.5));
  const atCorner = edges.to - edges.from <= WIDEST_CORNER + 1e-9;
  const corner = atCorner && edges.first ? "inner" : atCorner && edges.last ? "outer" : null;
  const fine = natural.diameterMm <= FINE_UP_TO_MM;
  const overLengthMm = fine ? policy.fineOverLengthMm : policy.overLengthMm;
  const limitsOf = (shorter: number, usual: number) => {
    const overLengthLimitMm = shorter + overLengthMm;
    if (!corner || policy.corners !== "match") return { overLengthLimitMm, limitMm: overLengthLimitMm };
    // Half a millimetre over the usual lash is the next length, which the corner does not take.
    const matchMm = usual + MATCH_WITHIN_MM - 1e-6 + (picked ? CORNER_ACCENT_MM : 0);
    return { overLengthLimitMm, limitMm: Math.min(overLengthLimitMm, matchMm) };
  };
  const own = limitsOf(shorterMm, usualMm);
  const growthLeftMm = natural.quantileMm(FULL_GROWN_PERCENTILE) - natural.quantileMm(LIMIT_PERCENTILE);
  const a = policy.attachmentOffsetMm;
  const matched = corner !== null && policy.corners === "match";
  const addedMm = matched ? MATCH_WITHIN_MM + (picked ? CORNER_ACCENT_MM : 0) : overLengthMm;
  return {
    natural,
    usualMm,
    floorMm: floorOf(eye, edges, usualMm) - FLOOR_BELOW_MM,
    shorterMm,
    corner,
    fine,
    growthLeftMm,
    overLengthMm,
    ...own,
    among: (fromMm, toMm) => {
      const below = fromMm > 0 ? 1 - natural.shareAtLeast(fromMm) : 0;
      const upTo = Number.isFinite(toMm) ? 1 - natural.shareAtLeast(toMm) : 1;
      const share = Math.max(0, upTo - below);
      if (share === 1) return { shorterMm, usualMm, ...own, share };
      const at = (p: number) => natural.quantileMm(Math.min(0.9999, below + p * share));
      const [shorter, usual] = [toTenthBelow(at(LIMIT_PERCENTILE)), toThousandth(at(0.5))];
      return { shorterMm: shorter, usualMm: usual, ...limitsOf(shorter, usual), share };
    },
    suits: (lengthMm) =>
      pickedMm.length
        ? pickedMm.filter((mm) => mm >= lengthMm - addedMm - 1e-9).length / pickedMm.length
        : natural.shareAtLeast(lengthMm - addedMm),
    loadOf: (fibre) => {
      const heaviest = { ...fibre, count: mostCount(fibre) };
      const on = (days: number) => loadIndex(heaviest, natural.diameterMm, a + grownMm(days, growthLeftMm));
      return { resting: on(0), day14: on(14), growing: on(LOAD_DAY) };
    },
  };
}

const PLACES = 9;

/** The usual lash that fills must not hide behind: of a wide zone, the usual one where it is longest. */
function floorOf(eye: EyeSurvey, { from, to }: ZoneEdges, usualMm: number): number {
  if (to - from <= WIDEST_CORNER + 1e-9) return usualMm;
  const lashAt = naturalLashAt(eye);
  const places = Array.from({ length: PLACES }, (_, i) => lashAt(from + ((i + 0.5) / PLACES) * (to - from)).lengthMm);
  return Math.max(usualMm, toThousandth(Math.max(...places)));
}

/** Lengths are surveyed to a tenth of a millimetre; a limit is not read finer, and never up. */
const toTenthBelow = (mm: number) => Math.floor(mm * 10 + 1e-6) / 10;
/** The usual lash is found by halving: what lies half way between two lengths is to be seen to. */
const toThousandth = (mm: number) => Math.round(mm * 1000) / 1000;

/** How a load stands against policy: `stop` from red, `look` from amber, on day 0 or grown to day 21. */
export function judgeLoad(load: Pick<Load, "resting" | "growing">, count: number, policy: Policy): "stop" | "look" | "fine" {
  const amber = count > 1 ? policy.loadAmberFan : policy.loadAmber;
  const worst = (limit: number) => load.resting >= limit || load.growing >= limit * GROWING_ALLOWANCE;
  return worst(policy.loadRed) ? "stop" : worst(amber) ? "look" : "fine";
}
