import "server-only";
import { beforeTheVisit, standing, type CareFinding } from "@/core/care";
import type { LashMap } from "@/core/map";
import { SET_SERVICES } from "@/core/service";
import { policy } from "@/db/schema";
import { bookingOptions } from "@/features/booking/data";
import { careFactsOf } from "@/features/visit/careFacts";
import { mapsOf } from "@/features/visit/clientMaps";
import { lastMapOf, visitsWhere, type VisitRow } from "@/features/visit/data";
import { startTheRoom, type RoomWish } from "./startTheRoom";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { dayIn, todayIn } from "@/server/studioTime";

/** A visit of a day, with what stands against it and what it wants. */
export type DayVisit = {
  readonly visit: VisitRow;
  readonly findings: readonly CareFinding[];
  readonly map: LashMap | null;
  /** The client wore a map before that this visit can take, and it has none yet. */
  readonly mayTakeLastMap: boolean;
  /** What it wants of room and shelf; null once begun, on another day, or where no air is known. */
  readonly wish: RoomWish | null;
};

/** A day of the studio (ISO): its visits, what stands against each, and what may be booked with whom. */
export function dayPage(me: Member, day: string, now: Date) {
  const today = todayIn(me.timeZone, now);
  return inStudio(me, async (tx) => {
    const rows = await visitsWhere(tx, { day: dayIn(me.timeZone, day), cancelled: true });
    const agreed = rows.filter(({ cancelledAt }) => cancelledAt === null);
    const open = agreed.filter(({ finishedAt }) => finishedAt === null);
    const facts = await careFactsOf(
      tx,
      me.timeZone,
      now,
      open.map(({ clientId, id, startsAt, begunAt }) => ({
        clientId,
        visitId: id,
        at: begunAt !== null || startsAt < now || day <= today ? now : startsAt,
      })),
    );
    const [held] = await tx.select().from(policy);
    const maps = await newestMaps(
      tx,
      agreed.map(({ clientId }) => clientId),
    );
    const wishes = day === today ? await startTheRoom(tx, agreed, maps, me.timeZone, now) : new Map<string, RoomWish>();
    const visits: DayVisit[] = [];
    for (const visit of agreed) {
      const at = open.indexOf(visit);
      const wants = SET_SERVICES.includes(visit.service) && visit.begunAt === null && visit.mapId === null;
      visits.push({
        visit,
        findings: at < 0 ? [] : beforeTheVisit(standing(visit.service, facts[at]!, held!.document)),
        map: visit.map ?? maps.get(visit.clientId) ?? null,
        mayTakeLastMap: wants && (await lastMapOf(tx, visit.clientId, visit.id)) !== null,
        wish: wishes.get(visit.id) ?? null,
      });
    }
    return { today, visits, cancelled: rows.filter(({ cancelledAt }) => cancelledAt !== null), options: await bookingOptions(tx, me, now) };
  });
}
export type DayPage = Awaited<ReturnType<typeof dayPage>>;

/** The newest map of each client. */
async function newestMaps(tx: StudioTransaction, clientIds: readonly string[]): Promise<Map<string, LashMap>> {
  const newestLast = (await mapsOf(tx, clientIds)).reverse();
  return new Map(newestLast.map(({ clientId, map }) => [clientId, map]));
}
