import { SIDES, type Side } from "../eye";
import type { PlacementPlan, PlannedSpot } from "./placementPlan";
import { isSameSpot, spotKey, type PlacingWork, type Spot } from "./work";

/** A zone that was said to be done as a whole. */
export type ZoneDone = Omit<Spot, "piece"> & { readonly atMs: number };

export type SpotProgress = {
  readonly placed: number;
  /** When its last lash was placed or set anew, ms; null while it has none. */
  readonly lastAtMs: number | null;
  /** When one of its lashes was set anew at last, ms. Which one is not said, so that all of them are left alone. */
  readonly redoneAtMs: number | null;
  /** Of what a check found amiss, how many are not set again yet: they are placed no more. */
  readonly again: number;
};

/** How far a set has come. */
export type Progress = {
  readonly of: (spot: Spot) => SpotProgress;
  /** When each worn lash of an eye's line was placed, ms; null where none is yet. Which one a tap was is supposed by the order of the slots. */
  readonly line: Readonly<Record<Side, readonly (number | null)[]>>;
  readonly placed: Readonly<Record<Side, number>>;
  readonly planned: Readonly<Record<Side, number>>;
  /** The eye that was worked at last, and how many lashes in a row. */
  readonly turn: { readonly side: Side; readonly lashes: number } | null;
  readonly lastSpot: Spot | null;
  /** Lashes tapped in zones that the plan does not have. */
  readonly elsewhere: number;
  /** Lashes that a check found amiss and that are to be set again. */
  readonly again: number;
};

const NONE: SpotProgress = { placed: 0, lastAtMs: null, redoneAtMs: null, again: 0 };

/** Counts what was placed against a plan. More than was planned is counted, and fills no slot. */
export function progressOf(
  plan: PlacementPlan,
  work: Pick<PlacingWork, "lashes" | "redone"> & Partial<Pick<PlacingWork, "faults">>,
  zonesDone: readonly ZoneDone[] = [],
): Progress {
  const spots = new Map(plan.spots.map((spot) => [spotKey(spot), spot]));
  const found = new Map<number, SpotProgress>();
  const line = { right: noTimes(plan.worn.right), left: noTimes(plan.worn.left) };
  let elsewhere = 0;
  const put = (spot: PlannedSpot | undefined, n: number, atMs: number) => {
    if (!spot) return void (elsewhere += n);
    const key = spotKey(spot);
    const before = found.get(key) ?? NONE;
    for (let i = before.placed; i < Math.min(spot.planned, before.placed + n); i++) line[spot.side][spot.slots[i]!] = atMs;
    found.set(key, { ...before, placed: before.placed + n, lastAtMs: atMs, again: Math.max(0, before.again - n) });
  };
  const take = (spot: PlannedSpot | undefined, n: number) => {
    const before = spot && found.get(spotKey(spot));
    if (!before) return;
    const off = Math.min(n, before.placed);
    // Which of them it was is not said: the last ones are supposed.
    for (let i = before.placed - off; i < before.placed; i++) if (i < spot.slots.length) line[spot.side][spot.slots[i]!] = null;
    found.set(spotKey(spot), { ...before, placed: before.placed - off, again: before.again + off });
  };
  for (const act of inOrder(work.lashes, work.faults ?? [], zonesDone)) {
    if ("zoneDone" in act) {
      // Said to be done as a whole: whatever its lashes still lacked.
      const { side, layer, zone, atMs } = act.zoneDone;
      for (const spot of plan.spots)
        if (spot.side === side && spot.layer === layer && spot.zone === zone)
          put(spot, Math.max(0, spot.planned - (found.get(spotKey(spot))?.placed ?? 0)), atMs);
    } else if ("why" in act) take(spots.get(spotKey(act)), act.n);
    else put(spots.get(spotKey(act)), act.n, act.atMs);
  }
  for (const redo of work.redone) {
    const before = found.get(spotKey(redo));
    if (before) found.set(spotKey(redo), { ...before, redoneAtMs: Math.max(before.redoneAtMs ?? 0, redo.atMs) });
  }
  const sum = (side: Side, of: (spot: PlannedSpot) => number) =>
    plan.spots.reduce((total, spot) => total + (spot.side === side ? of(spot) : 0), 0);
  const both = (of: (spot: PlannedSpot) => number) => ({ right: sum("right", of), left: sum("left", of) });
  const placedOf = (spot: Spot) => found.get(spotKey(spot)) ?? NONE;
  return {
    of: placedOf,
    line,
    placed: both((spot) => placedOf(spot).placed),
    planned: both(({ planned }) => planned),
    turn: turnOf(work),
    lastSpot: work.lashes.at(-1) ?? null,
    elsewhere,
    again: [...found.values()].reduce((sum, { again }) => sum + again, 0),
  };
}

type Act = PlacingWork["lashes"][number] | PlacingWork["faults"][number] | { readonly zoneDone: ZoneDone; readonly atMs: number };

/** Lashes, zones said to be done and faults as they happened: a lash that was found amiss may have been set again since. */
function inOrder(lashes: PlacingWork["lashes"], faults: PlacingWork["faults"], zonesDone: readonly ZoneDone[]): readonly Act[] {
  if (faults.length === 0 && zonesDone.length === 0) return lashes;
  const zones = zonesDone.map((zoneDone) => ({ zoneDone, atMs: zoneDone.atMs }));
  return [...lashes, ...zones, ...faults].sort((a, b) => a.atMs - b.atMs);
}

/** How far it will have come with one lash more: what looks ahead asks for this. */
export function withLash(progress: Progress, spot: PlannedSpot, atMs: number): Progress {
  const before = progress.of(spot);
  const after: SpotProgress = { ...before, placed: before.placed + 1, lastAtMs: atMs, again: Math.max(0, before.again - 1) };
  const line = [...progress.line[spot.side]];
  const slot = spot.slots[before.placed];
  if (slot !== undefined) line[slot] = atMs;
  const { turn } = progress;
  return {
    ...progress,
    of: (one) => (isSameSpot(one, spot) ? after : progress.of(one)),
    line: { ...progress.line, [spot.side]: line },
    placed: { ...progress.placed, [spot.side]: progress.placed[spot.side] + 1 },
    turn: { side: spot.side, lashes: turn?.side === spot.side ? turn.lashes + 1 : 1 },
    lastSpot: spot,
  };
}

const noTimes = (lashes: number): (number | null)[] => Array.from({ length: lashes }, () => null);

function turnOf({ lashes }: Pick<PlacingWork, "lashes">): Progress["turn"] {
  const last = lashes.at(-1);
  if (!last) return null;
  let inTurn = 0;
  for (let i = lashes.length - 1; i >= 0 && lashes[i]!.side === last.side; i--) inTurn += lashes[i]!.n;
  return { side: last.side, lashes: inTurn };
}

/** Seconds until a spot's next lash has no wet lash beside it; 0 where it is safe now. */
export function waitS(spot: PlannedSpot, progress: Progress, wetS: number, nowMs: number): number {
  const next = spot.slots[progress.of(spot).placed];
  if (next === undefined) return 0;
  const line = progress.line[spot.side];
  const beside = [line[next - 1], line[next + 1], progress.of(spot).redoneAtMs].flatMap((atMs) => atMs ?? []);
  return Math.max(0, ...beside.map((atMs) => wetS - (nowMs - atMs) / 1000));
}

/** How many seconds too early the last lash was placed beside one that was wet still; 0 where it was not. */
export function lastWasEarlyS(plan: PlacementPlan, progress: Progress, wetS: number): number {
  const { lastSpot } = progress;
  const spot = lastSpot && plan.spots.find((one) => isSameSpot(one, lastSpot));
  if (!spot) return 0;
  const { placed, lastAtMs } = progress.of(spot);
  const slot = spot.slots[placed - 1];
  if (slot === undefined || lastAtMs === null) return 0;
  const line = progress.line[spot.side];
  const before = [line[slot - 1], line[slot + 1]].flatMap((atMs) => (atMs != null && atMs < lastAtMs ? [atMs] : []));
  return Math.max(0, ...before.map((atMs) => wetS - (lastAtMs - atMs) / 1000));
}

/** Is the glue of a lash still wet? */
export const isWet = (atMs: number | null | undefined, wetS: number, nowMs: number): boolean => atMs != null && nowMs - atMs < wetS * 1000;

/** How far one eye is ahead of the other, in lashes of its own plan; below 0 where it lags. */
export function leadOf(side: Side, { placed, planned }: Pick<Progress, "placed" | "planned">): number {
  const other = side === "right" ? "left" : "right";
  return planned[other] === 0 ? 0 : placed[side] - (placed[other] * planned[side]) / planned[other];
}

/** Which eye has more of its plan, and by how many lashes; null where they are even to within half a lash. */
export function unevenBy(progress: Pick<Progress, "placed" | "planned">): { readonly side: Side; readonly lashes: number } | null {
  for (const side of SIDES) {
    const lashes = Math.round(leadOf(side, progress));
    if (lashes > 0) return { side, lashes };
  }
  return null;
}
