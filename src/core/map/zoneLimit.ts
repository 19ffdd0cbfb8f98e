import { naturalZone, type EyeSurvey, type NaturalZone } from "../eye";
import { grownMm } from "../growth";
import { mostCount, type Fibre } from "../lash";
import { loadIndex } from "../load";
import type { Policy } from "../policy";
import { pickedPercentile } from "./pickedPercentile";
import type { AccentPlacing } from "./schema";

/** Share of a zone's lashes that stay below the length its limit is read from. */
export const LIMIT_PERCENTILE = 0.25;
/** Length taken as full grown for a zone: all but the longest twentieth are shorter. A model of this product. */
const FULL_GROWN_PERCENTILE = 0.95;
/** Natural lashes up to this mean diameter are judged by the limit for fine ones, mm. Between fine and medium. */
export const FINE_UP_TO_MM = 0.07;
/** Later days are judged on growing lashes with caution and stop raised by this. A model of this product. */
export const GROWING_ALLOWANCE = 1.35;
/** The day load is looked ahead to: three weeks is pushing a fill. */
export const LOAD_DAY = 21;
/** A zone wider than this is no corner, whatever it touches. */
const WIDEST_CORNER = 0.5;

/** Load index of a fibre: worn on day 0 and on a resting lash, and what a growing one comes to by later days. */
export type Load = { readonly resting: number; readonly day14: number; readonly growing: number };

/** What a zone may carry, and why. Lengths in mm. */
export type ZoneLimit = {
  readonly natural: NaturalZone;
  /** Length that three quarters of the lashes worn on reach. */
  readonly shorterMm: number;
  readonly corner: "inner" | "outer" | null;
  readonly fine: boolean;
  /** Over-length allowed here by policy, the corner rule left aside. */
  readonly overLengthMm: number;
  /** Longest fibre by over-length alone. */
  readonly overLengthLimitMm: number;
  /** Longest fibre once the corner rule is counted too. */
  readonly limitMm: number;
  /** The same two for those of its lashes that lie between two natural lengths only. */
  readonly among: (fromMm: number, toMm: number) => { shorterMm: number; overLengthLimitMm: number; limitMm: number; share: number };
  /** Share of the zone's lashes that a length suits: those it stands past by no more than is allowed here, 0..1. */
  readonly suits: (lengthMm: number) => number;
  readonly loadOf: (fibre: Pick<Fibre, "lengthMm" | "diameterMm" | "shape" | "count" | "countTo">) => Load;
};

export type ZoneEdges = { readonly from: number; readonly to: number; readonly first: boolean; readonly last: boolean };

/**
 * Limits of one zone of a layer. `first` and `last` say whether it touches a corner. Accents are set on the longest lash
 * of every few, so theirs is read from those; the corner rule leaves them aside.
 */
export function zoneLimit(eye: EyeSurvey, edges: ZoneEdges, policy: Policy, placing?: AccentPlacing): ZoneLimit {
  let known = limits.get(eye);
  if (!known || known.policy !== policy || known.zones.size > 400) limits.set(eye, (known = { policy, zones: new Map() }));
  const key = `${edges.from} ${edges.to} ${edges.first} ${edges.last} ${placing ? `${placing.every}/${placing.cluster}` : ""}`;
  let limit = known.zones.get(key);
  if (!limit) known.zones.set(key, (limit = reckon(eye, edges, policy, placing)));
  return limit;
}

/** The planner, the rules and every repaint ask for the same zones again and again. */
const limits = new WeakMap<EyeSurvey, { policy: Policy; zones: Map<string, ZoneLimit> }>();

function reckon(eye: EyeSurvey, edges: ZoneEdges, policy: Policy, placing?: AccentPlacing): ZoneLimit {
  const natural = naturalZone(eye, edges.from, edges.to);
  const percentile = placing ? pickedPercentile(placing.every, placing.cluster, LIMIT_PERCENTILE) : LIMIT_PERCENTILE;
  const shorterMm = toTenth(natural.quantileMm(percentile));
  const atCorner = !placing && edges.to - edges.from <= WIDEST_CORNER;
  const corner = atCorner && edges.first ? "inner" : atCorner && edges.last ? "outer" : null;
  const fine = natural.diameterMm <= FINE_UP_TO_MM;
  const overLengthMm = fine ? policy.fineOverLengthMm : policy.overLengthMm;
  const addMm = corner && policy.corners === "match" ? 0 : overLengthMm;
  const growthLeftMm = natural.quantileMm(FULL_GROWN_PERCENTILE) - natural.quantileMm(LIMIT_PERCENTILE);
  const a = policy.attachmentOffsetMm;
  return {
    natural,
    shorterMm,
    corner,
    fine,
    overLengthMm,
    overLengthLimitMm: shorterMm + overLengthMm,
    limitMm: shorterMm + addMm,
    among: (fromMm, toMm) => {
      const below = fromMm > 0 ? 1 - natural.shareAtLeast(fromMm) : 0;
      const upTo = Number.isFinite(toMm) ? 1 - natural.shareAtLeast(toMm) : 1;
      const share = Math.max(0, upTo - below);
      const shorter = share === 1 ? shorterMm : toTenth(natural.quantileMm(Math.min(0.9999, below + percentile * share)));
      return { shorterMm: shorter, overLengthLimitMm: shorter + overLengthMm, limitMm: shorter + addMm, share };
    },
    suits: (lengthMm) => natural.shareAtLeast(lengthMm - addMm),
    loadOf: (fibre) => {
      const heaviest = { ...fibre, count: mostCount(fibre) };
      const on = (days: number) => loadIndex(heaviest, natural.diameterMm, a + grownMm(days, growthLeftMm));
      return { resting: on(0), day14: on(14), growing: on(LOAD_DAY) };
    },
  };
}

/** Lengths are surveyed to a tenth of a millimetre; a limit is not read finer, and never up. */
const toTenth = (mm: number) => Math.floor(mm * 10 + 1e-6) / 10;

/** How a load stands against policy: `stop` from red, `look` from amber, on day 0 or grown to day 21. */
export function judgeLoad(load: Pick<Load, "resting" | "growing">, count: number, policy: Policy): "stop" | "look" | "fine" {
  const amber = count > 1 ? policy.loadAmberFan : policy.loadAmber;
  const worst = (limit: number) => load.resting >= limit || load.growing >= limit * GROWING_ALLOWANCE;
  return worst(policy.loadRed) ? "stop" : worst(amber) ? "look" : "fine";
}
