import "server-only";
import { and, eq, inArray, isNotNull } from "drizzle-orm";
import { asksOf, isCovered, stopsOf } from "@/core/care";
import { readEvent, type Tap, type VisitEvent, type VisitState } from "@/core/visit";
import { incident, setTest, visit, visitEvent } from "@/db/schema";
import { isBottle } from "@/features/shelf/bottles";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { appendEvents, lockVisits } from "./appendEvents";
import { visitsWhere, type VisitRow } from "./data";
import { markVisit } from "./marks";
import { lotsAsProducts, standingFor } from "./door";

/** What came of handing in taps: all kept, or some name a visit that is not here. */
export async function keepEvents(
  me: Member,
  taps: readonly Tap[],
): Promise<{ kept: { id: string; serverTime: string; seq: number }[]; unknown: string[] }> {
  return inStudio(me, async (tx) => {
    const visitIds = [...new Set(taps.map((tap) => tap.visitId))];
    const known = await lockVisits(tx, visitIds);
    const accepted = taps.filter((tap) => known.has(tap.visitId));
    // A visit that was taken back as a mistake, and yet was worked at, is there again; its time may be another's by now.
    if (accepted.length > 0)
      await tx
        .update(visit)
        .set({ withdrawnAt: null, keepsTime: false })
        .where(and(inArray(visit.id, [...known]), isNotNull(visit.withdrawnAt)));
    const { kept, fresh, states } = await appendEvents(tx, me, accepted);
    const events = accepted.filter(({ id }) => fresh.has(id)).flatMap((tap) => readEvent(tap) ?? []);
    await keepTests(tx, me, events, states);
    await afterEvents(tx, me, events);
    return {
      kept: kept.map(({ id, serverTime, seq }) => ({ id, serverTime: serverTime.toISOString(), seq })),
      unknown: taps.filter((tap) => !known.has(tap.visitId)).map((tap) => tap.id),
    };
  });
}

/** Set tests timed at a visit are learned from like any other; one taken back at that visit is left out. */
async function keepTests(
  tx: StudioTransaction,
  me: Member,
  events: readonly VisitEvent[],
  states: ReadonlyMap<string, VisitState>,
): Promise<void> {
  for (const event of events) {
    if (event.type === "undone") {
      const [taken] = await tx
        .select({ type: visitEvent.type })
        .from(visitEvent)
        .where(and(eq(visitEvent.id, event.payload.eventId), eq(visitEvent.visitId, event.visitId)));
      if (taken?.type === "setTested") await tx.update(setTest).set({ leftOut: true }).where(eq(setTest.id, event.payload.eventId));
    }
    if (event.type !== "setTested") continue;
    const { bottleId, seconds, air } = event.payload;
    if (!(await isBottle(tx, bottleId))) continue;
    await tx
      .insert(setTest)
      .values({
        studioId: me.studioId,
        id: event.id,
        bottleId,
        at: new Date(event.at),
        seconds,
        ...air,
        memberId: me.id,
        // Taken back before it came: another tablet was quicker.
        leftOut: !states.get(event.visitId)?.set.tests.some(({ eventId }) => eventId === event.id),
      })
      .onConflictDoNothing();
  }
}

/** Taps that put something on a person, or say that it was begun to. */
const TOUCHES: readonly VisitEvent["type"][] = ["started", "bottleTaken", "beadPlaced", "batchTaken", "pasteMixed", "coated", "workedWith"];

/**
 * What follows from taps that came in: an act that has happened is never refused, but where something stood against it, it is
 * marked so; a visit that is over holds no time; one cancelled, and begun all the same, is cancelled no more.
 */
async function afterEvents(tx: StudioTransaction, me: Member, events: readonly VisitEvent[]): Promise<void> {
  const rows = new Map<string, VisitRow>();
  for (const event of events) {
    if (!TOUCHES.includes(event.type) && event.type !== "finished") continue;
    // How somebody dips touches nobody; a primer does.
    if (event.type === "workedWith" && lotsIn(event).length === 0) continue;
    const row = rows.get(event.visitId) ?? (await visitsWhere(tx, { visitId: event.visitId }))[0];
    if (!row) continue;
    rows.set(event.visitId, row);
    if (event.type === "finished") {
      await tx.update(visit).set({ keepsTime: false }).where(eq(visit.id, row.id));
      if (row.stopped && !(await isWritten(tx, row.id)))
        await markVisit(tx, me, { visitId: row.id, clientId: row.clientId, eventId: event.id }, [
          { key: "openIncident", weight: "stop", words: "Closed before its incident was written down." },
        ]);
      continue;
    }
    if (row.cancelledAt && event.type === "started") {
      await tx.update(visit).set({ cancelledAt: null, cancelledWhy: "", keepsTime: false }).where(eq(visit.id, row.id));
      await markVisit(tx, me, { visitId: row.id, clientId: row.clientId, eventId: event.id }, [
        { key: "cancelled", weight: "stop", words: "Begun although it was cancelled." },
      ]);
    }
    const now = new Date();
    const at = new Date(Math.min(Date.parse(event.at), now.getTime()));
    const products = await lotsAsProducts(tx, lotsIn(event));
    const findings = await standingFor(tx, me, now, { service: row.service, clientId: row.clientId, at, visitId: row.id, products });
    const unasked = event.type === "started" && !isCovered(findings, row.askReason, row.askKeys) ? asksOf(findings) : [];
    await markVisit(tx, me, { visitId: row.id, clientId: row.clientId, eventId: event.id }, [...stopsOf(findings), ...unasked]);
  }
}

function lotsIn(event: VisitEvent): string[] {
  switch (event.type) {
    case "started":
    case "bottleTaken":
    case "beadPlaced":
      return event.payload.bottleId === null ? [] : [event.payload.bottleId];
    case "workedWith":
      return event.payload.of === "primer" && event.payload.batchId ? [event.payload.batchId] : [];
    case "batchTaken":
      return [event.payload.batchId];
    case "pasteMixed":
      return event.payload.lines.map(({ batchId }) => batchId);
    default:
      return [];
  }
}

async function isWritten(tx: StudioTransaction, visitId: string): Promise<boolean> {
  const [row] = await tx.select({ id: incident.id }).from(incident).where(eq(incident.visitId, visitId)).limit(1);
  return row !== undefined;
}
