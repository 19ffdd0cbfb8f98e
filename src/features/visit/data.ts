import "server-only";
import { and, asc, desc, eq, gte, inArray, lt, sql } from "drizzle-orm";
import type { Brush } from "@/core/adhesive";
import { seatOf, type LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import { visitState, type KeptEvent, type VisitState } from "@/core/visit";
import {
  client,
  lashMap,
  lashMapRevision,
  member as memberTable,
  policy,
  room,
  survey,
  tray,
  visit,
  visitEvent,
  type Service,
} from "@/db/schema";
import { airByMinute } from "@/features/air/history";
import { airOf, sensorsNow } from "@/features/air/newestAir";
import { standingOf } from "@/features/clients/standing";
import { namesOf, openBottles, usedBottles } from "@/features/shelf/bottles";
import { glueKnowledge } from "@/features/shelf/knowledge";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";

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
  readonly chair: number;
  readonly service: Service;
  readonly startsAt: Date;
  readonly minutes: number;
  readonly mapId: string | null;
  readonly patchReason: string;
  readonly map: LashMap | null;
  readonly state: VisitState;
  readonly events: readonly KeptEvent[];
};

type Where = { day?: { from: Date; to: Date }; clientId?: string; visitId?: string };

/** Visits of a day, a client, or one alone, earliest first, each with its map and events. */
export async function visitsWhere(tx: StudioTransaction, { day, clientId, visitId }: Where): Promise<VisitRow[]> {
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
      chair: visit.chair,
      service: visit.service,
      startsAt: visit.startsAt,
      minutes: visit.minutes,
      mapId: visit.mapId,
      patchReason: visit.patchReason,
      map: lashMapRevision.document,
    })
    .from(visit)
    .innerJoin(client, and(eq(client.studioId, visit.studioId), eq(client.id, visit.clientId)))
    .innerJoin(memberTable, and(eq(memberTable.studioId, visit.studioId), eq(memberTable.id, visit.technicianId)))
    .innerJoin(room, and(eq(room.studioId, visit.studioId), eq(room.id, visit.roomId)))
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
        clientId ? eq(visit.clientId, clientId) : undefined,
        visitId ? eq(visit.id, visitId) : undefined,
      ),
    )
    .orderBy(asc(visit.startsAt), asc(visit.chair));
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
const BRUSHES = 200;

/** What came off at this member's last counted brushes. */
async function pastBrushes(tx: StudioTransaction, memberId: string): Promise<Brush[]> {
  const rows = await tx
    .select({ payload: visitEvent.payload })
    .from(visitEvent)
    .where(and(eq(visitEvent.memberId, memberId), eq(visitEvent.type, "checked"), sql`${visitEvent.payload}->>'off' is not null`))
    .orderBy(desc(visitEvent.at))
    .limit(BRUSHES);
  return rows.map(({ payload }) => payload as Brush);
}

async function readSeat(tx: StudioTransaction, mapId: string, map: LashMap, held: Policy) {
  const [found] = await tx
    .select({ survey: survey.document })
    .from(lashMap)
    .innerJoin(survey, and(eq(survey.studioId, lashMap.studioId), eq(survey.id, lashMap.surveyId)))
    .where(eq(lashMap.id, mapId));
  if (!found) return null;
  const trays = await tx.select({ document: tray.document }).from(tray);
  return seatOf(map, { survey: found.survey, policy: held, trays: trays.map(({ document }) => document) });
}

/** One visit for its workspace, or null when it is not in this studio. */
export function visitPage(me: Member, visitId: string, today: string, now: Date) {
  return inStudio(me, async (tx) => {
    const [row] = await visitsWhere(tx, { visitId });
    if (!row) return null;
    const [held] = await tx.select().from(policy);
    const sensors = await sensorsNow(tx, row.roomId);
    const begun = row.state.startedAtMs;
    const until = row.state.finishedAtMs ?? now.getTime();
    const bottles = await openBottles(tx);
    const bottlesUsed = await usedBottles(tx, [row.state]);
    return {
      visit: row,
      bottles,
      names: namesOf([...bottles, ...bottlesUsed]),
      bottlesUsed,
      air: airOf(sensors, now.getTime()),
      readings: begun === null ? [] : await airByMinute(tx, sensors, new Date(begun - READ_BEFORE_MS), new Date(until)),
      knowledge: await glueKnowledge(tx, me.id),
      brushes: await pastBrushes(tx, me.id),
      seat: row.map && row.mapId ? await readSeat(tx, row.mapId, row.map, held!.document) : null,
      policy: held!.document,
      // A visit in the past is judged as of its own day.
      standing: await standingOf(
        tx,
        row.clientId,
        row.state.startedAtMs === null ? today : new Date(row.state.startedAtMs).toISOString().slice(0, 10),
      ),
    };
  });
}
