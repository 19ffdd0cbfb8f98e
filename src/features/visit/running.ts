import "server-only";
import { and, eq, inArray } from "drizzle-orm";
import type { KeptEvent } from "@/core/visit";
import { visitEvent } from "@/db/schema";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { visitsWhere } from "./data";
import { eyesMayAtMs } from "./eyes";

/** A visit under way, for the clocks that hang on every screen. */
export type RunningVisit = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly chairName: string;
  readonly mine: boolean;
  readonly events: readonly KeptEvent[];
  /** When the eyes may open as it looks now, ms; null while placing goes on. */
  readonly eyesMayAtMs: number | null;
};

/** Visits begun within the last day and not finished, in this studio. */
export function runningVisits(me: Member, now: Date): Promise<RunningVisit[]> {
  const day = { from: new Date(now.getTime() - 36 * 3_600_000), to: new Date(now.getTime() + 36 * 3_600_000) };
  return inStudio(me, async (tx) => {
    const agreed = await visitsWhere(tx, { day });
    const running = agreed
      .filter(({ state }) => state.startedAtMs !== null && state.finishedAtMs === null)
      .filter(({ state }) => now.getTime() - state.startedAtMs! < 24 * 3_600_000);
    const touched = await touchedBy(
      tx,
      me,
      running.map((row) => row.id),
    );
    const visits: RunningVisit[] = [];
    for (const row of running)
      visits.push({
        id: row.id,
        clientId: row.clientId,
        clientName: row.clientName,
        chairName: row.chairName,
        mine: row.technicianId === me.id || touched.has(row.id),
        events: row.events,
        eyesMayAtMs: await eyesMayAtMs(tx, row, now),
      });
    return visits;
  });
}

/** Of these visits those that this member has tapped at, whoever they were agreed with: their clocks are theirs too. */
async function touchedBy(tx: StudioTransaction, me: Member, visitIds: string[]): Promise<Set<string>> {
  if (visitIds.length === 0) return new Set();
  const rows = await tx
    .selectDistinct({ visitId: visitEvent.visitId })
    .from(visitEvent)
    .where(and(inArray(visitEvent.visitId, visitIds), eq(visitEvent.memberId, me.id)));
  return new Set(rows.map((row) => row.visitId));
}
