import { waterFromMs, type Brush, type LedgerSettings, type PlacedLashes } from "../adhesive";
import type { VisitState } from "./parts";

/** What the cure ledger counts: the last lash of every zone, and every bead's last work, at the moment it ended (or now while in use). */
export function placedLashesOf(state: VisitState, nowMs: number): PlacedLashes[] {
  const zones = new Map<string, number>();
  for (const { side, layer, zone, atMs } of [...state.set.zones, ...state.placing.lashes, ...state.placing.redone]) {
    const key = `zone ${side} ${layer} ${zone}`;
    zones.set(key, Math.max(zones.get(key) ?? 0, atMs));
  }
  const beads = state.set.beads.map((bead) => [`bead ${bead.number}`, lastWorkMs(state, bead.endedAtMs ?? nowMs)] as const);
  const talkEnds = state.placing.talk.map(({ toMs }) => toMs ?? Infinity);
  // The client talked or moved after it was placed, or as it was.
  return [...zones, ...beads].map(([key, atMs]) => ({ key, atMs, talked: talkEnds.some((ms) => ms >= atMs) }));
}

/** A bead's last lash: when it was changed or wiped, but not after a finish was begun. */
function lastWorkMs(state: VisitState, endedAtMs: number): number {
  return state.set.finish ? Math.min(endedAtMs, state.set.finish.atMs) : endedAtMs;
}

/** How many lashes were placed since they were brushed last: what came off then is of these. */
export function lashesSinceBrush({ set, placing }: VisitState): number {
  const since = set.checks.at(-1)?.atMs ?? -Infinity;
  return placing.lashes.reduce((sum, { n, atMs }) => sum + (atMs > since ? n : 0), 0);
}

/** Counted brushes of the bead that was brushed last, and when that was; null before the first count. */
export function lastBrushes(
  state: VisitState,
): { readonly beadNumber: number; readonly brushes: readonly Brush[]; readonly atMs: number } | null {
  const last = state.set.checks.findLast(({ brush }) => brush !== null);
  if (!last) return null;
  return {
    beadNumber: last.beadNumber,
    brushes: state.set.checks.filter((check) => check.beadNumber === last.beadNumber).flatMap(({ brush }) => brush ?? []),
    atMs: last.atMs,
  };
}

/** From when this client's lashes may get wet, ms; null while nothing was placed. */
export function visitWaterFromMs(state: VisitState, { figures }: LedgerSettings, adhesiveHours?: number): number | null {
  const placings = placedLashesOf(state, state.head.finishedAtMs ?? Infinity);
  const last = Math.max(...placings.map(({ atMs }) => atMs));
  return Number.isFinite(last) ? waterFromMs(last, figures, state.set.finish, adhesiveHours) : null;
}
