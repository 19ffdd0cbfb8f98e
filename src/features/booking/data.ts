import "server-only";
import { and, asc, desc, eq, isNotNull, isNull } from "drizzle-orm";
import { serviceOf, visitMinutes, type ServiceId, type VisitMinutes } from "@/core/service";
import { mapFacts, mapTotals } from "@/core/map";
import { chair, member, room, survey, tray, visit, visitOutcome } from "@/db/schema";
import { ownPace } from "@/features/visit/ownPace";
import { mapsOf } from "@/features/visit/clientMaps";
import { together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { timeIn, todayIn } from "@/server/studioTime";
import { studioPolicy } from "@/server/studioPolicy";

/** What a visit can be booked with: people, chairs in use, and the studio's day and hour now. */
export type BookingOptions = {
  readonly me: string;
  readonly people: readonly { readonly id: string; readonly name: string; readonly role: string }[];
  readonly chairs: readonly { readonly id: string; readonly name: string; readonly roomId: string; readonly roomName: string }[];
  readonly today: string;
  readonly time: string;
};

export async function bookingOptions(tx: StudioTransaction, me: Member, now: Date): Promise<BookingOptions> {
  const [people, chairs] = await together([
    tx
      .select({ id: member.id, name: member.name, role: member.role })
      .from(member)
      .where(isNull(member.deactivatedAt))
      .orderBy(asc(member.createdAt), asc(member.name)),
    tx
      .select({ id: chair.id, name: chair.name, roomId: room.id, roomName: room.name })
      .from(chair)
      .innerJoin(room, and(eq(room.studioId, chair.studioId), eq(room.id, chair.roomId)))
      .where(and(isNull(chair.closedAt), isNull(room.closedAt)))
      .orderBy(asc(room.createdAt), asc(room.name), asc(chair.name)),
  ]);
  return {
    me: me.id,
    people,
    chairs,
    today: todayIn(me.timeZone, now),
    time: timeIn(me.timeZone, now),
  };
}

const LAST = 24;

/** Minutes of finished visits of a service, newest last, each with whose it was. */
async function minutesTaken(
  tx: StudioTransaction,
  service: ServiceId,
  where: { readonly clientId?: string; readonly technicianId?: string },
): Promise<number[]> {
  const rows = await tx
    .select({ begunAt: visitOutcome.begunAt, finishedAt: visitOutcome.finishedAt })
    .from(visit)
    .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(
      and(
        eq(visit.service, service),
        where.clientId ? eq(visit.clientId, where.clientId) : undefined,
        where.technicianId ? eq(visit.technicianId, where.technicianId) : undefined,
        isNotNull(visitOutcome.begunAt),
        isNotNull(visitOutcome.finishedAt),
      ),
    )
    .orderBy(desc(visit.startsAt))
    .limit(LAST);
  return rows
    .map(({ begunAt, finishedAt }) => (finishedAt!.getTime() - begunAt!.getTime()) / 60_000)
    .filter((minutes) => minutes >= 5 && minutes <= 480)
    .reverse();
}

/** Minutes proposed for a service, from this client's visits, their newest map at this technician's pace, and the technician's visits. */
export async function proposedMinutes(
  tx: StudioTransaction,
  { service, clientId, technicianId }: { readonly service: ServiceId; readonly clientId: string | null; readonly technicianId: string },
): Promise<VisitMinutes> {
  const { workedBy, usualMinutes } = serviceOf(service);
  return visitMinutes({
    client: clientId ? await minutesTaken(tx, service, { clientId }) : [],
    technician: await minutesTaken(tx, service, { technicianId }),
    // A fill is a part of a map, and its own work comes later.
    map: clientId && workedBy === "map" && service !== "fill" ? await mapMinutes(tx, clientId, technicianId) : null,
    usual: usualMinutes,
  });
}

async function mapMinutes(tx: StudioTransaction, clientId: string, technicianId: string): Promise<number | null> {
  const [newest] = await mapsOf(tx, [clientId]);
  if (!newest) return null;
  const [planned] = await tx.select({ document: survey.document }).from(survey).where(eq(survey.id, newest.surveyId));
  const policy = await studioPolicy(tx);
  const trays = await tx.select({ document: tray.document }).from(tray);
  const facts = mapFacts(newest.map, { survey: planned!.document, policy, trays: trays.map(({ document }) => document) });
  return mapTotals(facts, await ownPace(tx, technicianId, policy)).seconds / 60;
}
