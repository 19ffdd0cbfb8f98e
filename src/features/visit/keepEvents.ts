import "server-only";
import { eq, inArray } from "drizzle-orm";
import type { VisitEvent } from "@/core/visit";
import { bottle, setTest, visit, visitEvent } from "@/db/schema";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";

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
