import "server-only";
import { and, asc, desc, eq, gte, inArray, lt, sql } from "drizzle-orm";
import type { Brush } from "@/core/adhesive";
import { seatOf, type LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import { visitState, type KeptEvent, type VisitEvent, type VisitState } from "@/core/visit";
import {
  adhesive,
  bottle,
  client,
  lashMap,
  lashMapRevision,
  member as memberTable,
  policy,
  room,
  setTest,
  survey,
  tray,
  visit,
  visitEvent,
} from "@/db/schema";
import { airByMinute } from "@/features/air/history";
import { airOf, sensorsNow } from "@/features/air/newestAir";
import { standingOf } from "@/features/clients/standing";
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
  readonly service: string;
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

/** A visit under way, for the clocks that hang on every screen. */
export type RunningVisit = {
  readonly id: string;
  readonly clientId: string;
  readonly clientName: string;
  readonly chair: number;
  readonly mine: boolean;
  readonly events: readonly KeptEvent[];
};

/** Visits begun within the last day and not finished, in this studio. */
export function runningVisits(me: Member, now: Date): Promise<RunningVisit[]> {
  const day = { from: new Date(now.getTime() - 36 * 3_600_000), to: new Date(now.getTime() + 36 * 3_600_000) };
  return inStudio(me, async (tx) => {
    const visits = await visitsWhere(tx, { day });
    const running = visits
      .filter(({ state }) => state.startedAtMs !== null && state.finishedAtMs === null)
      .filter(({ state }) => now.getTime() - state.startedAtMs! < 24 * 3_600_000);
    const touched = await touchedBy(
      tx,
      me,
      running.map((row) => row.id),
    );
    return running.map((row) => ({
      id: row.id,
      clientId: row.clientId,
      clientName: row.clientName,
      chair: row.chair,
      mine: row.technicianId === me.id || touched.has(row.id),
      events: row.events,
    }));
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

/** Beads put out from a bottle, a drop each, those taken back left out. */
export const beadsOf = () =>
  sql<number>`(
  select count(*) from studio.visit_event e where e.studio_id = ${bottle.studioId} and e.type = 'beadPlaced' and e.payload->>'bottleId' = ${bottle.id}::text
    and not exists (select 1 from studio.visit_event u where u.studio_id = e.studio_id and u.type = 'undone' and u.payload->>'eventId' = e.id::text)
)`.mapWith(Number);

/** Bottles open in the studio, for choosing one: newest first. */
export async function openBottles(tx: StudioTransaction) {
  const rows = await tx
    .select({
      id: bottle.id,
      adhesiveId: bottle.adhesiveId,
      lot: bottle.lot,
      openedOn: bottle.openedOn,
      emptiedOn: bottle.emptiedOn,
      beads: beadsOf(),
      adhesive: adhesive.document,
    })
    .from(bottle)
    .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)));
  return rows.filter((row) => row.emptiedOn === null).sort((a, b) => b.openedOn.localeCompare(a.openedOn));
}
export type OpenBottle = Awaited<ReturnType<typeof openBottles>>[number];

/** Every bottle's name and lot by its id, emptied ones too: a visit years ago still names its lot. */
export async function bottleNames(tx: StudioTransaction): Promise<Map<string, string>> {
  const rows = await tx
    .select({ id: bottle.id, lot: bottle.lot, adhesive: adhesive.document })
    .from(bottle)
    .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)));
  return new Map(rows.map((row) => [row.id, `${row.adhesive.name}, lot ${row.lot}`]));
}

/** Readings from a little before the start: the first lash stands in air that was read before it. */
const READ_BEFORE_MS = 15 * 60_000;
const BRUSHES = 200;

/** Adhesives of the bottles a visit was worked from, emptied ones too. */
async function usedBottles(tx: StudioTransaction, state: VisitState) {
  const ids = [...new Set([state.bottleId, ...state.beads.map(({ bottleId }) => bottleId)].filter((id) => id !== null))];
  if (ids.length === 0) return [];
  return tx
    .select({ id: bottle.id, adhesiveId: bottle.adhesiveId, adhesive: adhesive.document })
    .from(bottle)
    .innerJoin(adhesive, and(eq(adhesive.studioId, bottle.studioId), eq(adhesive.id, bottle.adhesiveId)))
    .where(inArray(bottle.id, ids));
}

export type UsedBottle = Awaited<ReturnType<typeof usedBottles>>[number];

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
    return {
      visit: row,
      bottles: await openBottles(tx),
      names: await bottleNames(tx),
      bottlesUsed: await usedBottles(tx, row.state),
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

/** What came of handing in events: all kept, or one names a visit that is not here. */
export async function keepEvents(
  me: Member,
  events: readonly VisitEvent[],
): Promise<{ kept: { id: string; serverTime: string }[]; unknown: string[] }> {
  return inStudio(me, async (tx) => {
    const visitIds = [...new Set(events.map((event) => event.visitId))];
    const known = new Set((await tx.select({ id: visit.id }).from(visit).where(inArray(visit.id, visitIds))).map((row) => row.id));
    const mine = events.filter((event) => known.has(event.visitId));
    if (mine.length > 0)
      await tx
        .insert(visitEvent)
        .values(
          mine.map((event) => ({
            studioId: me.studioId,
            visitId: event.visitId,
            id: event.id,
            at: new Date(event.at),
            clock: event.clock,
            type: event.type,
            payload: event.payload,
            memberId: me.id,
          })),
        )
        .onConflictDoNothing();
    await keepTests(tx, me, mine);
    const stored = await tx
      .select({ id: visitEvent.id, serverTime: visitEvent.serverTime })
      .from(visitEvent)
      .where(
        inArray(
          visitEvent.id,
          events.map((event) => event.id),
        ),
      );
    return {
      kept: stored.map((row) => ({ id: row.id, serverTime: row.serverTime.toISOString() })),
      unknown: events.filter((event) => !known.has(event.visitId)).map((event) => event.id),
    };
  });
}

/** Set tests timed at a visit are learned from like any other; one taken back is left out. */
async function keepTests(tx: StudioTransaction, me: Member, events: readonly VisitEvent[]): Promise<void> {
  for (const event of events) {
    if (event.type === "undone") await tx.update(setTest).set({ leftOut: true }).where(eq(setTest.id, event.payload.eventId));
    if (event.type !== "setTested") continue;
    const { bottleId, seconds, air } = event.payload;
    const [known] = await tx.select({ id: bottle.id }).from(bottle).where(eq(bottle.id, bottleId));
    if (!known) continue;
    await tx
      .insert(setTest)
      .values({ studioId: me.studioId, id: event.id, bottleId, at: new Date(event.at), seconds, ...air, memberId: me.id })
      .onConflictDoNothing();
  }
}
