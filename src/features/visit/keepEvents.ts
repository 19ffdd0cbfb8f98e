import "server-only";
import { and, eq, inArray, isNotNull } from "drizzle-orm";
import { asksOf, isCovered, stopsOf, type CareFinding } from "@/core/care";
import type { VisitEvent } from "@/core/visit";
import { bottle, incident, setTest, visit, visitEvent, visitMark } from "@/db/schema";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { visitsWhere, type VisitRow } from "./data";
import { batchesAsProducts, bottlesAsProducts, standingFor } from "./door";

/** What came of handing in events: all kept, or one names a visit that is not here. */
export async function keepEvents(
  me: Member,
  events: readonly VisitEvent[],
): Promise<{ kept: { id: string; serverTime: string }[]; unknown: string[] }> {
  return inStudio(me, async (tx) => {
    const visitIds = [...new Set(events.map((event) => event.visitId))];
    const known = new Set((await tx.select({ id: visit.id }).from(visit).where(inArray(visit.id, visitIds))).map((row) => row.id));
    const mine = events.filter((event) => known.has(event.visitId));
    if (mine.length > 0) {
      // A visit that was taken back as a mistake, and yet was worked at, is there again; its time may be another's by now.
      await tx
        .update(visit)
        .set({ withdrawnAt: null, keepsTime: false })
        .where(and(inArray(visit.id, [...known]), isNotNull(visit.withdrawnAt)));
      const fresh = await tx
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
        .onConflictDoNothing()
        .returning({ id: visitEvent.id });
      const isFresh = new Set(fresh.map(({ id }) => id));
      await keepTests(tx, me, mine);
      await afterEvents(
        tx,
        me,
        mine.filter(({ id }) => isFresh.has(id)),
      );
    }
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

/** Taps that put something on a person, or say that it was begun to. */
const TOUCHES: readonly VisitEvent["type"][] = ["started", "bottleTaken", "beadPlaced", "batchTaken", "pasteMixed", "coated"];

/**
 * What follows from taps that came in: an act that has happened is never refused, but where something stood against it, it is
 * marked so; a visit that is over holds no time; one cancelled, and begun all the same, is cancelled no more.
 */
async function afterEvents(tx: StudioTransaction, me: Member, events: readonly VisitEvent[]): Promise<void> {
  const rows = new Map<string, VisitRow>();
  for (const event of events) {
    if (!TOUCHES.includes(event.type) && event.type !== "finished") continue;
    const row = rows.get(event.visitId) ?? (await visitsWhere(tx, { visitId: event.visitId }))[0];
    if (!row) continue;
    rows.set(event.visitId, row);
    if (event.type === "finished") {
      await tx.update(visit).set({ keepsTime: false }).where(eq(visit.id, row.id));
      if (row.state.run.stop && !(await isWritten(tx, row.id)))
        await mark(tx, me, event, [
          { rule: "openIncident", key: "openIncident", weight: "stop", words: "Closed before its incident was written down." },
        ]);
      continue;
    }
    if (row.cancelledAt && event.type === "started") {
      await tx.update(visit).set({ cancelledAt: null, cancelledWhy: "", keepsTime: false }).where(eq(visit.id, row.id));
      await mark(tx, me, event, [{ rule: "cancelled", key: "cancelled", weight: "stop", words: "Begun although it was cancelled." }]);
    }
    const now = new Date();
    const at = new Date(Math.min(Date.parse(event.at), now.getTime()));
    const products = [...(await bottlesAsProducts(tx, bottlesIn(event))), ...(await batchesAsProducts(tx, batchesIn(event)))];
    const findings = await standingFor(tx, me, now, { service: row.service, clientId: row.clientId, at, visitId: row.id, products });
    const unasked = event.type === "started" && !isCovered(findings, row.askReason, row.askKeys) ? asksOf(findings) : [];
    await mark(tx, me, event, [...stopsOf(findings), ...unasked]);
  }
}

const bottlesIn = (event: VisitEvent): string[] =>
  event.type === "started" || event.type === "bottleTaken" || event.type === "beadPlaced"
    ? [event.payload.bottleId].filter((id) => id !== null)
    : [];
const batchesIn = (event: VisitEvent): string[] =>
  event.type === "batchTaken"
    ? [event.payload.batchId]
    : event.type === "pasteMixed"
      ? event.payload.lines.map(({ batchId }) => batchId)
      : [];

async function mark(tx: StudioTransaction, me: Member, event: VisitEvent, findings: readonly CareFinding[]): Promise<void> {
  if (findings.length === 0) return;
  await tx
    .insert(visitMark)
    .values(
      findings.map(({ key, weight, words }) => ({
        studioId: me.studioId,
        visitId: event.visitId,
        key,
        weight: weight === "stop" ? ("stop" as const) : ("ask" as const),
        words,
        eventId: event.id,
      })),
    )
    .onConflictDoNothing();
}

async function isWritten(tx: StudioTransaction, visitId: string): Promise<boolean> {
  const [row] = await tx.select({ id: incident.id }).from(incident).where(eq(incident.visitId, visitId)).limit(1);
  return row !== undefined;
}
