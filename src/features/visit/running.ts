import "server-only";
import { inArray } from "drizzle-orm";
import { hasClocks, type KeptEvent } from "@/core/visit";
import { visitOutcome } from "@/db/schema";
import type { RunningVisit } from "@/features/tablet/runningVisit";
import { inStudio } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { eventsOf, visitsInFull } from "./data";
import { eyesMayAtMs } from "./eyes";

/**
 * Visits begun within the last day that have clocks, in this studio: under way, or with implements in the disinfectant. Of each come the events after the number up to which
 * the tablet knows them all; every event of one it does not know.
 */
export function runningVisits(
  me: Member,
  now: Date,
  known: ReadonlyMap<string, number> = new Map(),
): Promise<(RunningVisit & { readonly events: readonly KeptEvent[] })[]> {
  const day = { from: new Date(now.getTime() - 36 * 3_600_000), to: new Date(now.getTime() + 36 * 3_600_000) };
  return inStudio(me, async (tx) => {
    const running = (await visitsInFull(tx, { day })).filter(
      ({ begunAt, state }) => begunAt !== null && hasClocks(state) && now.getTime() - begunAt.getTime() < 24 * 3_600_000,
    );
    if (running.length === 0) return [];
    const tapped = await tx
      .select({ visitId: visitOutcome.visitId, memberIds: visitOutcome.memberIds })
      .from(visitOutcome)
      .where(
        inArray(
          visitOutcome.visitId,
          running.map(({ id }) => id),
        ),
      );
    const visits: (RunningVisit & { events: readonly KeptEvent[] })[] = [];
    for (const row of running) {
      // Whoever tapped at a visit, whoever it was agreed with: its clocks are theirs too.
      const tappedBy = tapped.find(({ visitId }) => visitId === row.id)?.memberIds ?? [];
      visits.push({
        id: row.id,
        clientId: row.clientId,
        clientName: row.clientName,
        chairName: row.chairName,
        mine: row.technicianId === me.id || tappedBy.includes(me.id),
        events: await eventsOf(tx, me, row.id, known.get(row.id) ?? 0),
        eyesMayAtMs: await eyesMayAtMs(tx, row, now),
      });
    }
    return visits;
  });
}

/** How far a tablet knows which visits: `since=<visit>.<number>`, any number of times. What cannot be read counts as not known. */
export function knownFrom(search: URLSearchParams): ReadonlyMap<string, number> {
  return new Map(
    search.getAll("since").flatMap((text): [string, number][] => {
      const [id, seq] = text.split(".");
      return id && seq && /^\d{1,9}$/.test(seq) ? [[id, Number(seq)]] : [];
    }),
  );
}
