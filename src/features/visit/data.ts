import "server-only";
import { and, asc, desc, eq, gte, inArray, isNotNull, isNull, lt, ne, sql } from "drizzle-orm";
import type { LashMap } from "@/core/map";
import { visitState, type KeptEvent, type VisitState } from "@/core/visit";
import type { ServiceId } from "@/core/service";
import { chair, client, lashMapRevision, member as memberTable, room, visit, visitEvent, visitMark } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** An agreed visit with what its events say of it. */
export type VisitRow = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly technicianId: string;
  readonly technicianName: string;
  readonly roomId: string;
  readonly roomName: string;
  readonly roomVolumeM3: number;
  readonly chairId: string;
  readonly chairName: string;
  readonly service: ServiceId;
  readonly startsAt: Date;
  readonly minutes: number;
  readonly keepsTime: boolean;
  readonly revision: number;
  readonly cancelledAt: Date | null;
  readonly cancelledWhy: string;
  readonly mapId: string | null;
  /** Why it goes ahead in spite of what was asked first, and for which findings that was written. */
  readonly askReason: string;
  readonly askKeys: readonly string[];
  readonly map: LashMap | null;
  readonly state: VisitState;
  readonly events: readonly KeptEvent[];
};

type Where = { day?: { from: Date; to: Date }; clientIds?: readonly string[]; visitId?: string; cancelled?: boolean };

/** Visits of a day, of clients, or one alone, earliest first, each with its map and events; cancelled ones only where asked for. */
export async function visitsWhere(
  tx: StudioTransaction,
  { day, clientIds, visitId, cancelled = visitId !== undefined }: Where,
): Promise<VisitRow[]> {
  const rows = await tx
    .select({
      id: visit.id,
      clientId: visit.clientId,
      clientName: client.name,
      technicianId: visit.technicianId,
      technicianName: memberTable.name,
      roomId: visit.roomId,
      roomName: room.name,
      roomVolumeM3: room.volumeM3,
      chairId: visit.chairId,
      chairName: chair.name,
      service: visit.service,
      startsAt: visit.startsAt,
      minutes: visit.minutes,
      keepsTime: visit.keepsTime,
      revision: visit.revision,
      cancelledAt: visit.cancelledAt,
      cancelledWhy: visit.cancelledWhy,
      mapId: visit.mapId,
      askReason: visit.askReason,
      askKeys: visit.askKeys,
      map: lashMapRevision.document,
    })
    .from(visit)
    .innerJoin(client, and(eq(client.studioId, visit.studioId), eq(client.id, visit.clientId)))
    .innerJoin(memberTable, and(eq(memberTable.studioId, visit.studioId), eq(memberTable.id, visit.technicianId)))
    .innerJoin(room, and(eq(room.studioId, visit.studioId), eq(room.id, visit.roomId)))
    .innerJoin(chair, and(eq(chair.studioId, visit.studioId), eq(chair.id, visit.chairId)))
    .leftJoin(
      lashMapRevision,
      and(
        eq(lashMapRevision.studioId, visit.studioId),
        eq(lashMapRevision.mapId, visit.mapId),
        eq(lashMapRevision.revision, visit.mapRevision),
      ),
    )
    .where(
      and(
        day ? and(gte(visit.startsAt, day.from), lt(visit.startsAt, day.to)) : undefined,
        clientIds ? inArray(visit.clientId, [...clientIds]) : undefined,
        visitId ? eq(visit.id, visitId) : undefined,
        isNull(visit.withdrawnAt),
        cancelled ? undefined : isNull(visit.cancelledAt),
      ),
    )
    .orderBy(asc(visit.startsAt), asc(chair.name));
  const events = await eventsOf(
    tx,
    rows.map((row) => row.id),
  );
  return rows.map((row) => {
    const own = events.get(row.id) ?? [];
    return { ...row, events: own, state: visitState(own) };
  });
}

async function eventsOf(tx: StudioTransaction, visitIds: string[]): Promise<Map<string, KeptEvent[]>> {
  const found = new Map<string, KeptEvent[]>();
  if (visitIds.length === 0) return found;
  const rows = await tx.select().from(visitEvent).where(inArray(visitEvent.visitId, visitIds)).orderBy(asc(visitEvent.at));
  for (const row of rows) {
    const kept = {
      id: row.id,
      visitId: row.visitId,
      at: row.at.toISOString(),
      clock: row.clock,
      type: row.type,
      payload: row.payload,
      serverTime: row.serverTime.toISOString(),
    } as KeptEvent;
    found.set(row.visitId, [...(found.get(row.visitId) ?? []), kept]);
  }
  return found;
}

/** Readings from a little before the start: the first lash stands in air that was read before it. */
export const READ_BEFORE_MS = 15 * 60_000;

/** What happened at a visit although something stood against it. */
export async function marksOf(tx: StudioTransaction, visitId: string) {
  return tx
    .select({ key: visitMark.key, weight: visitMark.weight, words: visitMark.words })
    .from(visitMark)
    .where(eq(visitMark.visitId, visitId))
    .orderBy(asc(visitMark.createdAt));
}

/** Nobody has taken the event back: for whoever asks the table itself, where an undo is an event of its own. */
export const notTakenBack = sql`not exists (select from studio.visit_event u
  where u.studio_id = ${visitEvent.studioId} and u.type = 'undone' and u.about = ${visitEvent.id})`;

/** The map a client wore last, and which save of it; null where they have worn none. */
export async function lastMapOf(tx: StudioTransaction, clientId: string, exceptVisitId: string) {
  const [worn] = await tx
    .select({ mapId: visit.mapId, mapRevision: visit.mapRevision })
    .from(visit)
    .innerJoin(visitEvent, and(eq(visitEvent.studioId, visit.studioId), eq(visitEvent.visitId, visit.id), eq(visitEvent.type, "started")))
    .where(and(eq(visit.clientId, clientId), ne(visit.id, exceptVisitId), isNotNull(visit.mapId), isNull(visit.withdrawnAt), notTakenBack))
    .orderBy(desc(visit.startsAt))
    .limit(1);
  return worn?.mapId && worn.mapRevision ? { mapId: worn.mapId, mapRevision: worn.mapRevision } : null;
}
