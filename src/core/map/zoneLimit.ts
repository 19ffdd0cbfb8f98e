import { naturalZone, type EyeSurvey, type NaturalZone } from "../eye";
import { grownMm } from "../growth";
import { loadIndex } from "../load";
import type { Policy } from "../policy";
import type { FibreKind } from "./schema";

/** Share of a zone's lashes that stay below the length its limit is read from. */
export const LIMIT_PERCENTILE = 0.25;
/** Length taken as full grown for a zone: all but the longest twentieth are shorter. A model of this product. */
const FULL_GROWN_PERCENTILE = 0.95;
/** Natural lashes up to this mean diameter are judged by the limit for fine ones, mm. Between fine and medium. */
const FINE_UP_TO_MM = 0.07;
/** Later days are judged on growing lashes with caution and stop raised by this. A model of this product. */
export const GROWING_ALLOWANCE = 1.35;
/** The day load is looked ahead to: three weeks is pushing a fill. */
export const LOAD_DAY = 21;

/** What a zone may carry, and why. Lengths in mm. */
export type ZoneLimit = {
  readonly natural: NaturalZone;
  /** Length that three quarters of the zone's lashes reach. */
  readonly shorterMm: number;
  readonly corner: "inner" | "outer" | null;
  readonly fine: boolean;
  /** Over-length allowed here by policy, the corner rule left aside. */
  readonly overLengthMm: number;
  /** Longest fibre by over-length alone. */
  readonly overLengthLimitMm: number;
  /** Longest fibre once the corner rule is counted too. */
  readonly limitMm: number;
  /** Share of the zone's lashes that a length suits: those it stands past by no more than is allowed here, 0..1. */
  readonly suits: (lengthMm: number) => number;
  /** Load index of a fibre here: worn on day 0 and on a resting lash, and the most a growing one comes to by day 21. */
  readonly loadOf: (fibre: FibreKind & { lengthMm: number }) => { readonly resting: number; readonly growing: number };
};

/** Limits of one zone of a layer. `first` and `last` say whether it touches a corner. */
export function zoneLimit(
  eye: EyeSurvey,
  edges: { readonly from: number; readonly to: number; readonly first: boolean; readonly last: boolean },
  policy: Policy,
): ZoneLimit {
  const natural = naturalZone(eye, edges.from, edges.to);
  const shorterMm = natural.quantileMm(LIMIT_PERCENTILE);
  const corner = edges.first ? "inner" : edges.last ? "outer" : null;
  const fine = natural.diameterMm <= FINE_UP_TO_MM;
  const overLengthMm = fine ? policy.fineOverLengthMm : policy.overLengthMm;
  const overLengthLimitMm = shorterMm + overLengthMm;
  const limitMm = corner && policy.corners === "match" ? shorterMm : overLengthLimitMm;
  const growthLeftMm = natural.quantileMm(FULL_GROWN_PERCENTILE) - shorterMm;
  return {
    natural,
    shorterMm,
    corner,
    fine,
    overLengthMm,
    overLengthLimitMm,
    limitMm,
    suits: (lengthMm) => natural.shareAtLeast(lengthMm - (limitMm - shorterMm)),
    loadOf: (fibre) => ({
      resting: loadIndex(fibre, natural.diameterMm, policy.attachmentOffsetMm),
      growing: loadIndex(fibre, natural.diameterMm, policy.attachmentOffsetMm + grownMm(LOAD_DAY, growthLeftMm)),
    }),
  };
}

/** How a load stands against policy: `stop` from red, `look` from amber, on day 0 or grown to day 21. */
export function judgeLoad(load: { resting: number; growing: number }, count: number, policy: Policy): "stop" | "look" | "fine" {
  const amber = count > 1 ? policy.loadAmberFan : policy.loadAmber;
  const worst = (limit: number) => load.resting >= limit || load.growing >= limit * GROWING_ALLOWANCE;
  return worst(policy.loadRed) ? "stop" : worst(amber) ? "look" : "fine";
}
