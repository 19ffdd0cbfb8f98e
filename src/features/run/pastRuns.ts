import "server-only";
import type { PastRun } from "@/core/processing";
import { visitsInFull } from "@/features/visit/data";
import type { StudioTransaction } from "@/server/inStudio";

/** Older runs say little of hair that has grown out since. */
const MOST_RUNS = 24;

/** A client's finished runs before one visit, for learning, newest last. */
export async function pastRuns(tx: StudioTransaction, clientId: string, exceptVisitId: string): Promise<PastRun[]> {
  const visits = (await visitsInFull(tx, { clientIds: [clientId] })).filter(({ id }) => id !== exceptVisitId);
  return visits
    .flatMap(({ id, state }) =>
      state.head.finishedAtMs !== null && state.run.coats.length > 0
        ? [{ visitId: id, endedAtMs: state.head.finishedAtMs, run: state.run }]
        : [],
    )
    .slice(-MOST_RUNS);
}
