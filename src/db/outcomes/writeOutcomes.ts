import { and, asc, eq, inArray, sql } from "drizzle-orm";
import type { NodePgDatabase } from "drizzle-orm/node-postgres";
import type { Survey } from "@/core/eye";
import { wornAtEnd } from "@/core/fill";
import type { LashMap } from "@/core/map";
import { lashGaps, placementPlan, setPace, type SetPace } from "@/core/placing";
import { fillFound, howPlaced } from "@/core/retention";
import { SET_SERVICES } from "@/core/service";
import { interruptionsOf, outcomeOf, readRows, VisitFold, type KeptEvent, type VisitState } from "@/core/visit";
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
  /** Maps that were read already, by studio, map and save: many visits wear the same. */
  counted: Map<string, WornMap | null> = new Map(),
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
    const isByMap = came.finishedAtMs !== null && mapId !== null && mapRevision !== null;
    const map = isByMap ? await wornMap(tx, studioId, mapId, mapRevision, counted) : null;
    // Nobody goes home with what a mannequin head wears.
    const set = SET_SERVICES.includes(service) ? map : null;
    outcomes.push({
      studioId,
      visitId,
      throughSeq: lastSeq,
      begunAt: dateOf(came.begunAtMs),
      finishedAt: dateOf(came.finishedAtMs),
      putOnAt: dateOf(came.putOnAtMs),
      stopped: came.stopped,
      memberIds: [...new Set(visitEvents.map(({ memberId }) => memberId))].sort(),
      worn:
        set && wornAtEnd(set.map, set.survey, { fill: state.fill, placing: state.placing, zonesDone: state.set.zones }, service === "fill"),
      howPlaced: set && howPlaced(set.map, set.survey, state),
      found: fillFound(state),
      pace: map ? paceOf(map, state) : null,
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
          howPlaced: sql`excluded.how_placed`,
          found: sql`excluded.found`,
          pace: sql`excluded.pace`,
          state: sql`excluded.state`,
        },
      });
  if (lots.length > 0) await tx.insert(visitLot).values(lots);
  if (brushes.length > 0) await tx.insert(visitBrush).values(brushes);
  return states;
}

const dateOf = (ms: number | null) => (ms === null ? null : new Date(ms));

/** A map with the survey it was planned on. */
export type WornMap = { readonly map: LashMap; readonly survey: Survey };

/** The map that was worn. */
async function wornMap(
  tx: Pick<Writes, "select">,
  studioId: string,
  mapId: string,
  revision: number,
  counted: Map<string, WornMap | null>,
): Promise<WornMap | null> {
  const key = `${studioId} ${mapId} ${revision}`;
  const known = counted.get(key);
  if (known !== undefined) return known;
  const [row] = await tx
    .select({ map: lashMapRevision.document, survey: survey.document })
    .from(lashMapRevision)
    .innerJoin(lashMap, and(eq(lashMap.studioId, lashMapRevision.studioId), eq(lashMap.id, lashMapRevision.mapId)))
    .innerJoin(survey, and(eq(survey.studioId, lashMap.studioId), eq(survey.id, lashMap.surveyId)))
    .where(and(eq(lashMapRevision.studioId, studioId), eq(lashMapRevision.mapId, mapId), eq(lashMapRevision.revision, revision)));
  const found = row ?? null;
  counted.set(key, found);
  return found;
}

/** What a lash took, where they were tapped one by one. */
function paceOf({ map, survey }: WornMap, { placing, set }: VisitState): SetPace | null {
  if (placing.lashes.length === 0) return null;
  return setPace(lashGaps(placementPlan(map, survey), placing, interruptionsOf(set)));
}
