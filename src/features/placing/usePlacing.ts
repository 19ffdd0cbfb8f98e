"use client";
import { useMemo, useState } from "react";
import { otherSide, type Side } from "@/core/eye";
import { gapPlan, type GapPlan, type Kept } from "@/core/fill";
import { innerCornerOnRight, type LashMap } from "@/core/map";
import {
  isSameSpot,
  lashesInTurn,
  lashGaps,
  nextLash,
  paceNow,
  paceOf,
  placementPlan,
  progressOf,
  schoolsFor,
  secondsLeft,
  spotKey,
  usualPace,
  wetNeighbourS,
  withTargets,
  type PlacementPlan,
  type PlannedSpot,
  type Spot,
  type UsualPace,
} from "@/core/placing";
import type { Policy } from "@/core/policy";
import type { ServiceId } from "@/core/service";
import { interruptionsOf, type VisitState } from "@/core/visit";
import type { MapGround } from "@/features/visit/clientMaps";

/** What a set is placed by. */
export type PlacingOf = {
  readonly map: LashMap | null;
  readonly ground: MapGround | null;
  readonly policy: Policy;
  readonly service: ServiceId;
  /** What a lash takes by this technician's last sets, or the studio's figures. */
  readonly pace: UsualPace;
};

/** A place somebody chose, and how many lashes were tapped by then. */
type Chosen = { readonly spot: Spot; readonly taps: number; readonly wasFull: boolean };

const NO_PLAN: GapPlan = { spots: [], worn: { right: 0, left: 0 }, kept: { right: new Set(), left: new Set() } };
const NOTHING_KEPT: readonly Kept[] = [];

/** The set as it is worked: what is planned, how far it has come, and where the next lash goes. */
export function usePlacing(
  { map, ground, policy, service, pace: usual }: PlacingOf,
  { placing, set }: VisitState,
  setTimeS: number | null,
  /** At a fill, what stays on: only the gaps between it are placed. */
  kept: readonly Kept[] = NOTHING_KEPT,
) {
  const survey = ground?.survey ?? null;
  const whole = useMemo(() => (map && survey ? placementPlan(map, survey) : NO_PLAN), [map, survey]);
  const { lashes, redone, faults, targets } = placing;
  const { beads, checks, inspections } = set;
  const gapsToFill = useMemo(() => (map && survey ? gapPlan(map, survey, kept) : NO_PLAN), [map, survey, kept]);
  const plan = useMemo(() => withTargets(gapsToFill, targets), [gapsToFill, targets]);
  const progress = useMemo(() => progressOf(plan, { lashes, redone, faults }, set.zones), [plan, lashes, redone, faults, set.zones]);
  const gaps = useMemo(
    () => lashGaps(plan, placing, interruptionsOf({ beads, checks, inspections })),
    [plan, placing, beads, checks, inspections],
  );
  const pace = useMemo(() => paceNow(gaps, usualPace(usual)), [gaps, usual]);
  const paces = useMemo(() => {
    const on = (side: Side) => paceOf(gaps.filter((gap) => gap.side === side));
    return { right: on("right"), left: on("left"), both: paceOf(gaps) };
  }, [gaps]);
  const wetS = wetNeighbourS(setTimeS);
  const isMostlyFans = plan.spots.reduce((sum, { isFan, planned }) => sum + (isFan ? planned : -planned), 0) > 0;
  const inTurn = lashesInTurn(wetS, pace(progress.turn?.side ?? "right", isMostlyFans));
  // What is proposed stays as it stood when the last lash was placed: hands have the fibre by now.
  const sinceMs = lashes.at(-1)?.atMs ?? 0;
  const order = useMemo(
    () => ({ schools: schoolsFor(service, policy), inTurn, wetS, nowMs: sinceMs }),
    [service, policy, inTurn, wetS, sinceMs],
  );
  const proposed = useMemo(() => nextLash(plan, progress, order)?.spot ?? null, [plan, progress, order]);
  const [choice, setChoice] = useState<Chosen | null>(null);
  const chosen = choice && stillHolds(choice, plan, progress.of(choice.spot).placed, lashes.length, inTurn);
  const spot = chosen ?? proposed;
  const choose = (wanted: PlannedSpot | null) =>
    setChoice(wanted && { spot: wanted, taps: lashes.length, wasFull: progress.of(wanted).placed >= wanted.planned });
  return {
    plan,
    /** What the map asks for, whatever is kept and whatever was planned again for less time. */
    whole,
    /** How many of a place's lashes wear an extension still. */
    keptOn: useMemo(() => {
      const gaps = new Map(gapsToFill.spots.map((one) => [spotKey(one), one.planned]));
      const on = new Map(whole.spots.map((one) => [spotKey(one), one.planned - (gaps.get(spotKey(one)) ?? 0)]));
      return (one: Spot) => on.get(spotKey(one)) ?? 0;
    }, [whole, gapsToFill]),
    /** Which lashes of each eye's line those are. */
    kept: gapsToFill.kept,
    progress,
    order,
    inTurn,
    wetS,
    spot,
    isChosen: chosen !== null,
    /** Lashes of a chosen place that are kept to before the order goes on. */
    stay: chosen && choice ? inTurn - (lashes.length - choice.taps) : 1,
    isAllPlaced: plan.spots.length > 0 && proposed === null,
    secondsLeft: secondsLeft(plan, (one) => progress.of(one).placed, pace),
    pace,
    paces,
    choose,
    /** That zone of an eye, in the layer that is worked. */
    chooseZone: (side: Side, zone: number) => choose(spotIn(plan, side, zone, spot, (one) => progress.of(one).placed < one.planned)),
    /** Where in a zone a lash could be off: in the layer that is worked, else in another; null where none is placed there. */
    placedIn: (side: Side, zone: number) => spotIn(plan, side, zone, spot, (one) => progress.of(one).placed > 0, true),
    /** The zone beside, to the right (1) or the left (-1) as it lies before who works. */
    beside: (way: 1 | -1) => {
      if (!spot) return;
      const by = innerCornerOnRight(spot.side, "bedHead") ? -way : way;
      const zones = zonesOf(plan, spot).sort((a, b) => a - b);
      const next = zones[zones.indexOf(spot.zone) + by];
      if (next !== undefined) choose(spotIn(plan, spot.side, next, spot, (one) => progress.of(one).placed < one.planned));
    },
    otherEye: () => {
      if (!spot) return;
      const side = otherSide(spot.side);
      const zones = zonesOf(plan, { ...spot, side });
      if (zones.length === 0) return;
      const nearest = zones.reduce((a, b) => (Math.abs(b - spot.zone) < Math.abs(a - spot.zone) ? b : a));
      choose(spotIn(plan, side, nearest, spot, (one) => progress.of(one).placed < one.planned));
    },
  };
}
export type AtWork = ReturnType<typeof usePlacing>;

/** A place that was chosen holds for one turn of lashes, or until it is full; one that was full already takes what is put there. */
function stillHolds(
  { spot, taps, wasFull }: Chosen,
  plan: PlacementPlan,
  placed: number,
  tapsNow: number,
  inTurn: number,
): PlannedSpot | null {
  const known = plan.spots.find((one) => isSameSpot(one, spot));
  if (!known || tapsNow - taps >= inTurn) return null;
  return wasFull || placed < known.planned ? known : null;
}

const zonesOf = (plan: PlacementPlan, { side, layer }: Spot): number[] => [
  ...new Set(plan.spots.filter((one) => one.side === side && one.layer === layer).map(({ zone }) => zone)),
];

/** What of a zone is worked: in the same layer as now where it has that zone, what is not done before what is. */
function spotIn(
  plan: PlacementPlan,
  side: Side,
  zone: number,
  now: Spot | null,
  isOpen: (spot: PlannedSpot) => boolean,
  onlyOpen = false,
): PlannedSpot | null {
  const there = plan.spots.filter((one) => one.side === side && one.zone === zone && (!onlyOpen || isOpen(one)));
  const layer = there.filter((one) => one.layer === now?.layer);
  const among = layer.length > 0 ? layer : there;
  return among.find(isOpen) ?? among[0] ?? null;
}
