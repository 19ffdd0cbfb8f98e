import "server-only";
import { beforeTheVisit, careFindings, type CareFinding } from "@/core/care";
import type { LashMap } from "@/core/map";
import { isByMap } from "@/core/service";
import { bookingOptions } from "@/features/booking/data";
import { careFactsOf } from "@/features/visit/careFacts";
import { mapsOf } from "@/features/visit/clientMaps";
import { visitsWhere, whoWoreAMap, type VisitRow } from "@/features/visit/data";
import { roomAndShelf, startTheRoom, type RoomWish } from "./startTheRoom";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { dayIn, todayIn } from "@/server/studioTime";
import { studioPolicy } from "@/server/studioPolicy";

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
    const [rows, options, policy] = await together([
      visitsWhere(tx, { day: dayIn(me.timeZone, day), cancelled: true }),
      bookingOptions(tx, me, now),
      studioPolicy(tx),
    ]);
    const agreed = rows.filter(({ cancelledAt }) => cancelledAt === null);
    const open = agreed.filter(({ finishedAt }) => finishedAt === null);
    const clientIds = agreed.map(({ clientId }) => clientId);
    const wantMap = agreed.filter(({ service, begunAt, mapId }) => isByMap(service) && begunAt === null && mapId === null);
    const [facts, maps, wore, room] = await together([
      careFactsOf(
        tx,
        me.timeZone,
        now,
        open.map(({ clientId, id, startsAt, begunAt }) => ({
          clientId,
          visitId: id,
          at: begunAt !== null || startsAt < now || day <= today ? now : startsAt,
        })),
      ),
      newestMaps(tx, clientIds),
      whoWoreAMap(
        tx,
        wantMap.map(({ clientId }) => clientId),
      ),
      day === today ? roomAndShelf(tx, agreed, me.timeZone, now) : null,
    ]);
    const wishes = room ? startTheRoom(room, agreed, maps, policy, me.timeZone, now) : new Map<string, RoomWish>();
    const visits = agreed.map((visit): DayVisit => {
      const at = open.indexOf(visit);
      return {
        visit,
        findings: at < 0 ? [] : beforeTheVisit(careFindings(visit.service, facts[at]!, policy)),
        map: visit.map ?? maps.get(visit.clientId) ?? null,
        mayTakeLastMap: wantMap.includes(visit) && wore.has(visit.clientId),
        wish: wishes.get(visit.id) ?? null,
      };
    });
    return { today, visits, cancelled: rows.filter(({ cancelledAt }) => cancelledAt !== null), options };
  });
}
export type DayPage = Awaited<ReturnType<typeof dayPage>>;

/** The newest map of each client. */
async function newestMaps(tx: StudioTransaction, clientIds: readonly string[]): Promise<Map<string, LashMap>> {
  const newestLast = (await mapsOf(tx, clientIds)).reverse();
  return new Map(newestLast.map(({ clientId, map }) => [clientId, map]));
}
