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
  /** Bottles that beads were put out from, with how many: one that was only taken has none. */
  readonly bottles: ReadonlyMap<string, number>;
  /** Batches of colour, lotion and lightener that touched the client. */
  readonly batchIds: readonly string[];
  /** Brushes that were counted: what came off of how many. */
  readonly brushes: readonly { readonly eventId: string; readonly atMs: number; readonly off: number; readonly of: number }[];
};

/** What a visit came to, from the state its events fold into. */
export function outcomeOf(service: ServiceId, state: VisitState): VisitOutcome {
  const { head, set, run } = state;
  const bottles = new Map<string, number>(set.bottleId ? [[set.bottleId, 0]] : []);
  for (const { bottleId } of set.beads) if (bottleId) bottles.set(bottleId, (bottles.get(bottleId) ?? 0) + 1);
  return {
    begunAtMs: head.startedAtMs,
    finishedAtMs: head.finishedAtMs,
    putOnAtMs: putOnAtMs(service, state),
    stopped: run.stop?.kind ?? null,
    bottles,
    batchIds: batchesOf(run),
    brushes: set.checks.flatMap(({ eventId, atMs, brush }) => (brush ? [{ eventId, atMs, ...brush }] : [])),
  };
}
