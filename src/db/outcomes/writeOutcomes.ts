import { and, asc, eq, inArray, sql } from "drizzle-orm";
import type { NodePgDatabase } from "drizzle-orm/node-postgres";
import { wornLashes, type WornLashes } from "@/core/map";
import { SET_SERVICES } from "@/core/service";
import { outcomeOf, readRows, VisitFold, type KeptEvent, type VisitState } from "@/core/visit";
import { lashMap, lashMapRevision, survey, visit, visitBrush, visitEvent, visitLot, visitOutcome } from "../schema";

/** Whatever can read and write the studio's tables: a transaction of the app, or of the owner. */
export type Writes = Pick<NodePgDatabase<Record<string, unknown>>, "select" | "insert" | "delete">;

/** Events of some visits as they are kept, in the order of their numbers; `after` leaves out those up to a number. */
export async function keptEvents(tx: Pick<Writes, "select">, studioId: string, visitIds: readonly string[], after = 0) {
  const byVisit = new Map<string, (KeptEvent & { readonly memberId: string })[]>(visitIds.map((id) => [id, []]));
  if (visitIds.length === 0) return byVisit;
  const rows = await tx
    .select()
    .from(visitEvent)
    .where(
      and(
        eq(visitEvent.studioId, studioId),
        inArray(visitEvent.visitId, [...visitIds]),
        after > 0 ? sql`${visitEvent.seq} > ${after}` : undefined,
      ),
    )
    .orderBy(asc(visitEvent.seq));
  const events = rows.map(({ at, serverTime, payload, studioId: _, ...row }) => ({
    ...row,
    payload: payload as KeptEvent["payload"],
    at: at.toISOString(),
    serverTime: serverTime.toISOString(),
  }));
  for (const event of readRows(events)) byVisit.get(event.visitId)!.push(event);
  return byVisit;
}

/**
 * Writes what some visits of a studio came to, from all their events, and returns the states. The one writer of the
 * projection: called where events are written down, in the same transaction, and by the rebuild.
 */
export async function writeOutcomes(
  tx: Writes,
  studioId: string,
  visitIds: readonly string[],
  /** Maps whose lashes were counted already, by studio, map and save: many visits wear the same. */
  counted: Map<string, WornLashes | null> = new Map(),
): Promise<Map<string, VisitState>> {
  const states = new Map<string, VisitState>();
  if (visitIds.length === 0) return states;
  const visits = await tx
    .select({ id: visit.id, service: visit.service, lastSeq: visit.lastSeq, mapId: visit.mapId, mapRevision: visit.mapRevision })
    .from(visit)
    .where(and(eq(visit.studioId, studioId), inArray(visit.id, [...visitIds])))
    // No event comes in between reading them and writing what they came to, also while all are made anew beside a running app.
    .orderBy(asc(visit.id))
    .for("update");
  const events = await keptEvents(tx, studioId, visitIds);
  const outcomes: (typeof visitOutcome.$inferInsert)[] = [];
  const lots: (typeof visitLot.$inferInsert)[] = [];
  const brushes: (typeof visitBrush.$inferInsert)[] = [];
  for (const { id: visitId, service, lastSeq, mapId, mapRevision } of visits) {
    const visitEvents = events.get(visitId)!;
    const { state } = VisitFold.empty.add(visitEvents);
    states.set(visitId, state);
    const came = outcomeOf(service, state);
    const isWorn = came.finishedAtMs !== null && SET_SERVICES.includes(service) && mapId !== null && mapRevision !== null;
    outcomes.push({
      studioId,
      visitId,
      throughSeq: lastSeq,
      begunAt: dateOf(came.begunAtMs),
      finishedAt: dateOf(came.finishedAtMs),
      putOnAt: dateOf(came.putOnAtMs),
      stopped: came.stopped,
      memberIds: [...new Set(visitEvents.map(({ memberId }) => memberId))].sort(),
      worn: isWorn ? await wornOf(tx, studioId, mapId, mapRevision, counted) : null,
      state,
    });
    lots.push(...[...came.lots].map(([lotId, beads]) => ({ studioId, visitId, lotId, beads })));
    for (const { eventId, atMs, off, of } of came.brushes) {
      const { memberId } = visitEvents.find(({ id }) => id === eventId)!;
      brushes.push({ studioId, visitId, eventId, memberId, at: new Date(atMs), cameOff: off, ofLashes: of });
    }
  }
  const ofThese = (table: typeof visitLot | typeof visitBrush) => and(eq(table.studioId, studioId), inArray(table.visitId, [...visitIds]));
  await tx.delete(visitLot).where(ofThese(visitLot));
  await tx.delete(visitBrush).where(ofThese(visitBrush));
  if (outcomes.length > 0)
    await tx
      .insert(visitOutcome)
      .values(outcomes)
      .onConflictDoUpdate({
        target: [visitOutcome.studioId, visitOutcome.visitId],
        set: {
          throughSeq: sql`excluded.through_seq`,
          begunAt: sql`excluded.begun_at`,
          finishedAt: sql`excluded.finished_at`,
          putOnAt: sql`excluded.put_on_at`,
          stopped: sql`excluded.stopped`,
          memberIds: sql`excluded.member_ids`,
          worn: sql`excluded.worn`,
          state: sql`excluded.state`,
        },
      });
  if (lots.length > 0) await tx.insert(visitLot).values(lots);
  if (brushes.length > 0) await tx.insert(visitBrush).values(brushes);
  return states;
}

const dateOf = (ms: number | null) => (ms === null ? null : new Date(ms));

/** What the map that was worn puts on its client's lashes. */
async function wornOf(
  tx: Pick<Writes, "select">,
  studioId: string,
  mapId: string,
  revision: number,
  counted: Map<string, WornLashes | null>,
): Promise<WornLashes | null> {
  const key = `${studioId} ${mapId} ${revision}`;
  const known = counted.get(key);
  if (known !== undefined) return known;
  const [row] = await tx
    .select({ map: lashMapRevision.document, survey: survey.document })
    .from(lashMapRevision)
    .innerJoin(lashMap, and(eq(lashMap.studioId, lashMapRevision.studioId), eq(lashMap.id, lashMapRevision.mapId)))
    .innerJoin(survey, and(eq(survey.studioId, lashMap.studioId), eq(survey.id, lashMap.surveyId)))
    .where(and(eq(lashMapRevision.studioId, studioId), eq(lashMapRevision.mapId, mapId), eq(lashMapRevision.revision, revision)));
  const worn = row ? wornLashes(row.map, row.survey) : null;
  counted.set(key, worn);
  return worn;
}
