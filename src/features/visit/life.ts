import "server-only";
import { and, asc, eq, gte, inArray, isNull, lt } from "drizzle-orm";
import type { Air } from "@/core/air";
import type { CareFinding } from "@/core/care";
import type { ServiceId } from "@/core/service";
import { visit, visitOutcome } from "@/db/schema";
import { clientWhoComes } from "@/features/person/knownClient";
import { Refusal } from "@/server/action";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { dayIn, todayIn } from "@/server/studioTime";
import { appendEvents, happensNow, lockVisits } from "./appendEvents";
import { refusePracticeLengths } from "./clientMaps";
import { visitsWhere, type VisitRow } from "./data";
import { lotsAsProducts, keepReason, passOrRefuse, refuseStops, standingFor } from "./door";
import { checkPlace, inTheWay, inTurn, proposeChair, takenWords, whereFree, type Place } from "./place";

export const GONE = "This visit is not in the studio (any more).";

/** What is agreed: id made by whoever books, so that trying again makes no second visit. */
export type Booking = Place & { readonly id: string; readonly clientId: string; readonly service: ServiceId };

/** Agrees a visit. A stop refuses it; what is only asked is said and asked on the day. */
export async function bookVisit(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  booking: Booking,
): Promise<{ readonly findings: readonly CareFinding[] }> {
  const { id, service, technicianId, chairId, startsAt, minutes } = booking;
  const { id: clientId } = await clientWhoComes(tx, booking.clientId);
  const roomId = await checkPlace(tx, booking);
  if (startsAt.getTime() + minutes * 60_000 < now.getTime())
    throw new Refusal("That time is over. What was done without a booking is begun from the client's page.", { startsAt: "In the past." });
  await inTurn(tx, me, [`chair ${chairId}`, `person ${technicianId}`]);
  const [again] = await tx.select({ id: visit.id, clientId: visit.clientId }).from(visit).where(eq(visit.id, id));
  const findings = await standingFor(tx, me, now, { service, clientId, at: startsAt > now ? startsAt : now, visitId: id });
  if (again) {
    if (again.clientId !== clientId) throw new Refusal(GONE);
    return { findings };
  }
  refuseStops(findings);
  await whereFree(tx, me, booking, null, (inner) =>
    inner.insert(visit).values({ studioId: me.studioId, id, clientId, service, technicianId, roomId, chairId, startsAt, minutes }),
  );
  return { findings };
}

/** Moves a visit that has not begun to another time, chair or person; the standing is asked for the new time. */
export async function moveVisit(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  { id, revision, service, ...place }: Place & { readonly id: string; readonly revision: number; readonly service?: ServiceId },
): Promise<{ readonly findings: readonly CareFinding[]; readonly revision: number }> {
  const row = await knownVisit(tx, id);
  if (row.finishedAt !== null) throw new Refusal("This visit is over; it is not moved.");
  if (row.cancelledAt) throw new Refusal("This visit is cancelled. Take it up again first.");
  const begun = row.begunAt !== null;
  if (begun && (place.startsAt.getTime() !== row.startsAt.getTime() || (service && service !== row.service)))
    throw new Refusal("This visit has begun: only its person, chair and length can still change.");
  if (!begun && place.startsAt.getTime() + place.minutes * 60_000 < now.getTime())
    throw new Refusal("That time is over.", { startsAt: "In the past." });
  const roomId = await checkPlace(tx, place);
  await inTurn(tx, me, [`chair ${place.chairId}`, `person ${place.technicianId}`]);
  const kind = service ?? row.service;
  const findings = await standingFor(tx, me, now, {
    service: kind,
    clientId: row.clientId,
    at: place.startsAt > now ? place.startsAt : now,
    visitId: id,
  });
  // What has begun is not undone by a move; what has not is not moved to where something stands against it.
  if (!begun) refuseStops(findings);
  const moved = await whereFree(tx, me, place, id, (inner) =>
    inner
      .update(visit)
      .set({ ...place, roomId, service: kind, revision: revision + 1 })
      .where(and(eq(visit.id, id), eq(visit.revision, revision)))
      .returning({ revision: visit.revision }),
  );
  if (!moved[0]) throw new Refusal("This visit was changed elsewhere since you looked. Look at the day again.");
  return { findings, revision: moved[0].revision };
}

/** Cancels a visit that has not begun, with a reason, or takes it up again where its time is still free. */
export async function cancelVisit(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  { id, why, back }: { id: string; why: string; back: boolean },
): Promise<void> {
  const row = await knownVisit(tx, id);
  if (row.begunAt !== null) throw new Refusal("This visit has begun; it is finished, not cancelled.");
  if (!back && why.length < 3) throw new Refusal("Say why it is cancelled.", { why: "A word at least." });
  if (back)
    refuseStops(
      await standingFor(tx, me, now, {
        service: row.service,
        clientId: row.clientId,
        at: row.startsAt > now ? row.startsAt : now,
        visitId: id,
      }),
    );
  await inTurn(tx, me, [`chair ${row.chairId}`, `person ${row.technicianId}`]);
  await whereFree(tx, me, row, id, (inner) =>
    inner
      .update(visit)
      .set(back ? { cancelledAt: null, cancelledWhy: "" } : { cancelledAt: now, cancelledWhy: why })
      .where(eq(visit.id, id)),
  );
}

/** Takes back a visit opened by mistake: one at which nothing has happened. It can be brought back unasked: that undoes a slip, and beginning asks. */
export async function withdrawVisit(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  { id, back }: { id: string; back: boolean },
): Promise<void> {
  const [row] = await tx.select().from(visit).where(eq(visit.id, id));
  if (!row) throw new Refusal(GONE);
  if (row.lastSeq > 0 && !back) throw new Refusal("Something has happened at this visit: it is finished, or cancelled, not taken back.");
  await inTurn(tx, me, [`chair ${row.chairId}`, `person ${row.technicianId}`]);
  // One that held its time holds it again, or is not brought back while another does.
  await whereFree(tx, me, row, id, (inner) =>
    inner
      .update(visit)
      .set({ withdrawnAt: back ? null : now })
      .where(eq(visit.id, id)),
  );
}

export async function knownVisit(tx: StudioTransaction, id: string): Promise<VisitRow> {
  const [row] = await visitsWhere(tx, { visitId: id });
  if (!row) throw new Refusal(GONE);
  return row;
}

/** The agreed visit of a client today for one of some services that has not begun (or not finished), or null. */
async function agreedToday(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  clientId: string,
  services: readonly ServiceId[],
  until: "started" | "finished",
) {
  const { from, to } = dayIn(me.timeZone, todayIn(me.timeZone, now));
  const [agreed] = await tx
    .select({ id: visit.id })
    .from(visit)
    .leftJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(
      and(
        eq(visit.clientId, clientId),
        inArray(visit.service, [...services]),
        gte(visit.startsAt, from),
        lt(visit.startsAt, to),
        isNull(visit.cancelledAt),
        isNull(visit.withdrawnAt),
        isNull(until === "started" ? visitOutcome.begunAt : visitOutcome.finishedAt),
      ),
    )
    .orderBy(asc(visit.startsAt))
    .limit(1);
  return agreed?.id ?? null;
}

/**
 * The client's visit of today for one of these services: the agreed one that has not begun (or not finished), else a walk-in
 * at once. The standing is asked, and a stop refuses. A walk-in keeps nobody's time; what it runs into is said.
 */
export async function openToday(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  wanted: {
    readonly visitId: string;
    readonly clientId: string;
    readonly services: readonly ServiceId[];
    readonly until: "started" | "finished";
    readonly fresh: { readonly service: ServiceId; readonly minutes: number };
  },
): Promise<{ readonly visitId: string; readonly warning: string | null }> {
  const { services, until, fresh } = wanted;
  const { id: clientId } = await clientWhoComes(tx, wanted.clientId);
  // Two taps, two tablets, two tries: the second finds what the first has made.
  await inTurn(tx, me, [`client ${clientId}`]);
  const agreed = await agreedToday(tx, me, now, clientId, services, until);
  const service = agreed ? (await knownVisit(tx, agreed)).service : fresh.service;
  refuseStops(await standingFor(tx, me, now, { service, clientId, visitId: agreed ?? wanted.visitId }));
  if (agreed) return { visitId: agreed, warning: null };
  const chairId = await proposeChair(tx, me.id, now, fresh.minutes);
  const place: Place = { technicianId: me.id, chairId, startsAt: now, minutes: fresh.minutes };
  const roomId = await checkPlace(tx, place);
  const [made] = await tx
    .insert(visit)
    .values({ studioId: me.studioId, id: wanted.visitId, clientId, roomId, ...place, service: fresh.service, keepsTime: false })
    .onConflictDoNothing()
    .returning({ id: visit.id });
  if (!made) {
    // The same tap again: it is there already, unless it is somebody else's.
    const [same] = await visitsWhere(tx, { visitId: wanted.visitId });
    if (!same || same.clientId !== clientId) throw new Refusal(GONE);
    return { visitId: wanted.visitId, warning: null };
  }
  const [other] = await inTheWay(tx, place, wanted.visitId);
  return { visitId: wanted.visitId, warning: other ? await takenWords(tx, me, place, wanted.visitId) : null };
}

type WithBottle = { readonly visitId: string; readonly eventId: string; readonly bottleId: string | null; readonly reason: string };

/** Asks the standing with a bottle that is taken: a stop refuses, a question wants its reason, the one written before or a new one. */
async function passWithBottle(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  row: VisitRow,
  { bottleId, reason }: Pick<WithBottle, "bottleId" | "reason">,
): Promise<void> {
  const products = await lotsAsProducts(tx, bottleId ? [bottleId] : []);
  if (bottleId && products[0]?.family !== "adhesive") throw new Refusal("This bottle is not on the shelf (any more).");
  const findings = await standingFor(tx, me, now, { service: row.service, clientId: row.clientId, visitId: row.id, products });
  const written = reason.trim();
  const words = written || row.askReason;
  await keepReason(tx, row.id, words, passOrRefuse(findings, words, written ? [] : row.askKeys));
}

/** Begins a visit: the standing is asked once more, with the bottle that is taken. */
export async function beginVisit(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  begun: WithBottle & { readonly air: Air | null },
): Promise<void> {
  await lockVisits(tx, [begun.visitId]);
  const row = await knownVisit(tx, begun.visitId);
  if (row.finishedAt !== null) throw new Refusal("This visit is over.");
  if (row.cancelledAt) throw new Refusal("This visit is cancelled. Take it up again first.");
  if (row.begunAt !== null) return;
  if (row.map) await refusePracticeLengths(tx, row.clientId, row.map);
  await passWithBottle(tx, me, now, row, begun);
  const { visitId, eventId, bottleId, air } = begun;
  await appendEvents(tx, me, [happensNow(visitId, eventId, now, "started", { bottleId, air })]);
}

/** Takes another bottle while a visit runs: asked like a beginning. */
export async function takeBottle(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  taken: WithBottle & { readonly bottleId: string; readonly fromStart: boolean },
): Promise<void> {
  await lockVisits(tx, [taken.visitId]);
  const row = await knownVisit(tx, taken.visitId);
  if (row.begunAt === null) throw new Refusal("This visit has not begun.");
  if (row.finishedAt !== null) throw new Refusal("This visit is over.");
  await passWithBottle(tx, me, now, row, taken);
  const { visitId, eventId, bottleId, fromStart } = taken;
  await appendEvents(tx, me, [happensNow(visitId, eventId, now, "bottleTaken", { bottleId, fromStart })]);
}
