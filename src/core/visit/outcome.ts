import type { StopKind } from "../care";
import { batchesOf } from "../processing";
import type { ServiceId } from "../service";
import type { VisitState } from "./parts";
import { putOnAtMs } from "./putOn";

/** What lists, spacing, stock and statistics want of a visit, without its events. Times in ms since 1970. */
export type VisitOutcome = {
  readonly begunAtMs: number | null;
  readonly finishedAtMs: number | null;
  /** From when the days to the next service count: the end, or the last thing put on; null where nothing was. */
  readonly putOnAtMs: number | null;
  readonly stopped: StopKind | null;
  /** Lots it used, with the beads put out of each: none from what was only taken, and from what is mixed or put on. */
  readonly lots: ReadonlyMap<string, number>;
  /** Brushes that were counted: what came off of how many. */
  readonly brushes: readonly { readonly eventId: string; readonly atMs: number; readonly off: number; readonly of: number }[];
};

/** What a visit came to, from the state its events fold into. */
export function outcomeOf(service: ServiceId, state: VisitState): VisitOutcome {
  const { head, steps, set, run } = state;
  const taken = [set.bottleId, set.with.primer?.batchId, steps.soak?.batchId, ...batchesOf(run)];
  const lots = new Map<string, number>(taken.flatMap((id) => (id ? [[id, 0] as const] : [])));
  for (const { bottleId } of set.beads) if (bottleId) lots.set(bottleId, (lots.get(bottleId) ?? 0) + 1);
  return {
    begunAtMs: head.startedAtMs,
    finishedAtMs: head.finishedAtMs,
    putOnAtMs: putOnAtMs(service, state),
    stopped: run.stop?.kind ?? null,
    lots,
    brushes: set.checks.flatMap(({ eventId, atMs, brush }) => (brush ? [{ eventId, atMs, ...brush }] : [])),
  };
}
