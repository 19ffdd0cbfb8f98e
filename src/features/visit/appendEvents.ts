import "server-only";
import { asc, inArray } from "drizzle-orm";
import { newEvent, type EventPayload, type EventType, type Tap, type VisitState } from "@/core/visit";
import { writeOutcomes } from "@/db/outcomes/writeOutcomes";
import { visit, visitEvent } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";

export type Appended = {
  /** Of all that were handed in, those that are kept now, each with the server's time and its number. */
  readonly kept: readonly { readonly id: string; readonly serverTime: Date; readonly seq: number }[];
  /** Those that were not there before. */
  readonly fresh: ReadonlySet<string>;
  /** What the visits that got one fold into now. */
  readonly states: ReadonlyMap<string, VisitState>;
};

/** Holds some visits' rows until the transaction ends: what is read of them now is still so when an event is written. */
export async function lockVisits(tx: StudioTransaction, visitIds: readonly string[]): Promise<ReadonlySet<string>> {
  // Always in the same order, so that two of them never wait for each other.
  const rows = await tx
    .select({ id: visit.id })
    .from(visit)
    .where(inArray(visit.id, [...visitIds]))
    .orderBy(asc(visit.id))
    .for("update");
  return new Set(rows.map(({ id }) => id));
}

/**
 * Writes events down and, in the same transaction, what their visits came to. The only way an event gets into the database.
 * Twice does nothing. Events of visits that are not in the studio are left out.
 */
export async function appendEvents(tx: StudioTransaction, me: Member, taps: readonly Tap[]): Promise<Appended> {
  const known = await lockVisits(tx, [...new Set(taps.map(({ visitId }) => visitId))]);
  const accepted = [...new Map(taps.filter(({ visitId }) => known.has(visitId)).map((tap) => [tap.id, tap])).values()];
  const idsOf = (all: readonly Tap[]) => all.map(({ id }) => id);
  const before = await storedOf(tx, idsOf(accepted));
  const fresh = accepted.filter(({ id }) => !before.some((row) => row.id === id));
  if (fresh.length === 0) return { kept: before, fresh: new Set(), states: new Map() };
  await tx.insert(visitEvent).values(
    fresh.map(({ id, visitId, at, clock, type, version, payload }) => ({
      studioId: me.studioId,
      visitId,
      id,
      at: new Date(at),
      clock,
      type,
      version,
      payload,
      memberId: me.id,
    })),
  );
  const states = await writeOutcomes(tx, me.studioId, [...new Set(fresh.map(({ visitId }) => visitId))]);
  return { kept: await storedOf(tx, idsOf(accepted)), fresh: new Set(idsOf(fresh)), states };
}

async function storedOf(tx: StudioTransaction, ids: readonly string[]) {
  if (ids.length === 0) return [];
  return tx
    .select({ id: visitEvent.id, serverTime: visitEvent.serverTime, seq: visitEvent.seq })
    .from(visitEvent)
    .where(inArray(visitEvent.id, [...ids]));
}

/** An event that happens on the server, as a tap of whoever asked for it. */
export const happensNow = <Type extends EventType>(visitId: string, id: string, at: Date, type: Type, payload: EventPayload<Type>): Tap =>
  newEvent(type, payload, { id, visitId, at: at.toISOString(), clock: "checked" });
