import { type Side, type Survey } from "../eye";
import type { Policy } from "../policy";
import { wornPast } from "./lashClasses";
import { LOOKS } from "./looks";
import { dropCurve } from "./looks/dropCurve";
import { landmarksOf } from "./landmarksOf";
import { mapPolicy } from "./mapPolicy";
import { meanOver } from "./meanOver";
import type { Zones } from "./planLayer";
import { policyForPractice, traysFor } from "./practice";
import { planZones, type PlanLimit } from "./planZones";
import type { LashMap } from "./schema";
import { belowLook, zoneEdges } from "./schools";
import { stockedLengths } from "./stock";
import type { Tray } from "./tray";

/** What a technician chooses; the planner does the rest. */
export type MapWish = Omit<LashMap, "version" | "differsOnPurpose" | "eyes">;

/** All that a plan stands on, both eyes. */
export type Ground = {
  readonly survey: Survey;
  readonly wish: MapWish;
  readonly policy: Policy;
  readonly trays: readonly Tray[];
  readonly stocked: readonly number[];
  readonly edges: Readonly<Record<Side, readonly number[]>>;
  /** How far the look lies below its longest at each zone, mm. */
  readonly drops: Readonly<Record<Side, readonly number[]>>;
  /** The same over any stretch, a school's texture left out. */
  readonly dropOver: (side: Side, from: number, to: number) => number;
};

export function groundOf(survey: Survey, wish: MapWish, studioPolicy: Policy, shelf: readonly Tray[]): Ground {
  const trays = traysFor(shelf, survey);
  const stocked = stockedLengths(trays, wish.fibre);
  const policy = policyForPractice(mapPolicy(studioPolicy, wish), survey, wish.longestMm, stocked);
  const landmarks = (side: Side) => landmarksOf(wish, survey, side);
  const edgesOf = (side: Side) => zoneEdges(wish.school, landmarks(side), wish.look, side);
  const edges = { right: edgesOf("right"), left: edgesOf("left") };
  // By natural class there are no places: every lash wears what it can carry.
  const byLash = wish.school.id === "byClass";
  const look = wish.bend ? { handles: wish.bend } : LOOKS[wish.look];
  const curveOf = (side: Side) => (byLash ? () => 0 : dropCurve(look, landmarks(side), survey.eyes[side]));
  const curves = { right: curveOf("right"), left: curveOf("left") };
  const dropOver = (side: Side, from: number, to: number) => meanOver(curves[side], from, to);
  // Spikes make the texture where there are accents; the school's own gives way.
  const textured = !wish.accents;
  const drops = (side: Side) =>
    edges[side].slice(1).map((to, i) => dropOver(side, edges[side][i]!, to) + (textured ? belowLook(wish.school, i) : 0));
  return {
    survey,
    wish,
    policy,
    trays,
    stocked,
    edges,
    drops: { right: drops("right"), left: drops("left") },
    dropOver,
  };
}

/** The base's zones with what each may be planned in, a limit left aside where one is named. */
export function baseZones({ survey, wish, policy, edges, stocked }: Ground, leftAside?: PlanLimit): Zones {
  const of = (side: Side) =>
    planZones(survey.eyes[side], edges[side], wish.fibre, stocked, policy, {
      without: leftAside,
      fill: true,
      wornPastMm: wish.lashClasses ? (limit) => wornPast(limit, wish.lashClasses!) : undefined,
    });
  return { right: of("right"), left: of("left") };
}
