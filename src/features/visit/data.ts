import "server-only";
import { and, asc, desc, eq, gte, inArray, isNotNull, isNull, lt, ne, or } from "drizzle-orm";
import type { LashMap } from "@/core/map";
import type { StopKind } from "@/core/care";
import { EMPTY_VISIT, type KeptEvent, type VisitState } from "@/core/visit";
import type { ServiceId } from "@/core/service";
import { keptEvents, writeOutcomes } from "@/db/outcomes/writeOutcomes";
import { chair, client, lashMapRevision, member as memberTable, room, visit, visitMark, visitOutcome } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";

/** An agreed visit with what it came to. */
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
  readonly mapRevision: number | null;
  /** Why it goes ahead in spite of what was asked first, and for which findings that was written. */
  readonly askReason: string;
  readonly askKeys: readonly string[];
  readonly map: LashMap | null;
  readonly begunAt: Date | null;
  readonly finishedAt: Date | null;
  /** From when the days to the next service count; null where nothing was put on. */
  readonly putOnAt: Date | null;
  readonly stopped: StopKind | null;
};
/** The same with what its events fold into. */
export type FullVisit = VisitRow & { readonly state: VisitState };

type Where = { day?: { from: Date; to: Date }; clientIds?: readonly string[]; visitId?: string; cancelled?: boolean };

/** Visits of a day, of clients, or one alone, earliest first, each with its map and what it came to; cancelled ones only where asked for. */
export async function visitsWhere(tx: StudioTransaction, where: Where): Promise<VisitRow[]> {
  const rows = await readVisits(tx, where);
  return (await catchUp(tx, rows)) ? readVisits(tx, where) : rows;
}

function readVisits(tx: StudioTransaction, { day, clientIds, visitId, cancelled = visitId !== undefined }: Where) {
  return tx
    .select({
      studioId: visit.studioId,
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
      mapRevision: visit.mapRevision,
      askReason: visit.askReason,
      askKeys: visit.askKeys,
      map: lashMapRevision.document,
      lastSeq: visit.lastSeq,
      throughSeq: visitOutcome.throughSeq,
      begunAt: visitOutcome.begunAt,
      finishedAt: visitOutcome.finishedAt,
      putOnAt: visitOutcome.putOnAt,
      stopped: visitOutcome.stopped,
    })
    .from(visit)
    .innerJoin(client, and(eq(client.studioId, visit.studioId), eq(client.id, visit.clientId)))
    .innerJoin(memberTable, and(eq(memberTable.studioId, visit.studioId), eq(memberTable.id, visit.technicianId)))
    .innerJoin(room, and(eq(room.studioId, visit.studioId), eq(room.id, visit.roomId)))
    .innerJoin(chair, and(eq(chair.studioId, visit.studioId), eq(chair.id, visit.chairId)))
    .leftJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
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
}

/** The same, each with what its events fold into. */
export async function visitsInFull(tx: StudioTransaction, where: Where): Promise<FullVisit[]> {
  const rows = await visitsWhere(tx, where);
  const states = await statesOf(
    tx,
    rows.map(({ id }) => id),
  );
  return rows.map((row) => ({ ...row, state: states.get(row.id) ?? EMPTY_VISIT }));
}

/** States as they are kept, by visit; one of an older version is folded anew. */
async function statesOf(tx: StudioTransaction, visitIds: readonly string[]): Promise<Map<string, VisitState>> {
  if (visitIds.length === 0) return new Map();
  const kept = await tx
    .select({ studioId: visitOutcome.studioId, id: visitOutcome.visitId, state: visitOutcome.state })
    .from(visitOutcome)
    .where(inArray(visitOutcome.visitId, [...visitIds]));
  const older = kept.filter(({ state }) => state === null);
  const anew = await writeOutcomes(
    tx,
    older[0]?.studioId ?? "",
    older.map(({ id }) => id),
  );
  return new Map(kept.map(({ id, state }) => [id, state ?? anew.get(id) ?? EMPTY_VISIT]));
}

type MayBeBehind = { readonly studioId: string; readonly id: string; readonly lastSeq: number; readonly throughSeq: number | null };

/** A copy of the app from before the projection may have written events without it: then it is written here. Says whether it was. */
export async function catchUp(tx: StudioTransaction, rows: readonly MayBeBehind[]): Promise<boolean> {
  const behind = rows.filter(({ lastSeq, throughSeq }) => lastSeq !== (throughSeq ?? 0));
  if (behind.length === 0) return false;
  await writeOutcomes(
    tx,
    behind[0]!.studioId,
    behind.map(({ id }) => id),
  );
  return true;
}

/** A visit's events, those after a number where one is named. */
export async function eventsOf(tx: StudioTransaction, me: Pick<Member, "studioId">, visitId: string, after = 0): Promise<KeptEvent[]> {
  const events = await keptEvents(tx, me.studioId, [visitId], after);
  return events.get(visitId)!.map(({ memberId: _, ...event }) => event);
}

/** Readings from a little before the start: the first lash stands in air that was read before it. */
export const READ_BEFORE_MS = 15 * 60_000;

/** Of the visit itself, whoever its client was. */
const OF_THE_VISIT = ["openIncident", "cancelled"];

/** What happened at a visit although something stood against it; what stood against a client it was corrected away from is theirs no more. */
export async function marksOf(tx: StudioTransaction, visitId: string) {
  return tx
    .select({ key: visitMark.key, weight: visitMark.weight, words: visitMark.words })
    .from(visitMark)
    .innerJoin(visit, and(eq(visit.studioId, visitMark.studioId), eq(visit.id, visitMark.visitId)))
    .where(and(eq(visitMark.visitId, visitId), or(eq(visitMark.clientId, visit.clientId), inArray(visitMark.key, OF_THE_VISIT))))
    .orderBy(asc(visitMark.createdAt));
}

/** Of a visit only what it put on a person, or will. */
export type VisitService = Pick<VisitRow, "id" | "clientId" | "service" | "startsAt" | "minutes" | "finishedAt" | "putOnAt" | "stopped">;

/** What was or will be done at every visit of some clients that was not cancelled, earliest first; those before `since` left out. */
export async function servicesOf(tx: StudioTransaction, clientIds: readonly string[], since: Date | null = null): Promise<VisitService[]> {
  const read = () =>
    tx
      .select({
        studioId: visit.studioId,
        id: visit.id,
        clientId: visit.clientId,
        service: visit.service,
        startsAt: visit.startsAt,
        minutes: visit.minutes,
        lastSeq: visit.lastSeq,
        throughSeq: visitOutcome.throughSeq,
        finishedAt: visitOutcome.finishedAt,
        putOnAt: visitOutcome.putOnAt,
        stopped: visitOutcome.stopped,
      })
      .from(visit)
      .leftJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
      .where(
        and(
          inArray(visit.clientId, [...clientIds]),
          since ? gte(visit.startsAt, since) : undefined,
          isNull(visit.withdrawnAt),
          isNull(visit.cancelledAt),
        ),
      )
      .orderBy(asc(visit.startsAt));
  const rows = await read();
  return (await catchUp(tx, rows)) ? read() : rows;
}

/** Which of some clients have worn a map at a visit that was begun. */
export async function whoWoreAMap(tx: StudioTransaction, clientIds: readonly string[]): Promise<Set<string>> {
  if (clientIds.length === 0) return new Set();
  const rows = await tx
    .selectDistinct({ clientId: visit.clientId })
    .from(visit)
    .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(
      and(inArray(visit.clientId, [...clientIds]), isNotNull(visit.mapId), isNull(visit.withdrawnAt), isNotNull(visitOutcome.begunAt)),
    );
  return new Set(rows.map(({ clientId }) => clientId));
}

/** The map a client wore last, and which save of it; null where they have worn none. */
export async function lastMapOf(tx: StudioTransaction, clientId: string, exceptVisitId: string | null = null) {
  const [worn] = await tx
    .select({ mapId: visit.mapId, mapRevision: visit.mapRevision })
    .from(visit)
    .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(
      and(
        eq(visit.clientId, clientId),
        exceptVisitId === null ? undefined : ne(visit.id, exceptVisitId),
        isNotNull(visit.mapId),
        isNull(visit.withdrawnAt),
        isNotNull(visitOutcome.begunAt),
      ),
    )
    .orderBy(desc(visit.startsAt))
    .limit(1);
  return worn?.mapId && worn.mapRevision ? { mapId: worn.mapId, mapRevision: worn.mapRevision } : null;
}
