import "server-only";
import { randomUUID } from "node:crypto";
import { and, asc, eq, gte, inArray, isNull, lt } from "drizzle-orm";
import { room, visit, visitEvent, type Service } from "@/db/schema";
import { Refusal } from "@/server/action";
import type { StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { dayIn, todayIn } from "@/server/studioTime";

/**
 * The client's visit of today for one of these services that has not been begun, or not been finished, yet; where none is
 * agreed, a new one at once, in the first room. Returns its id.
 */
export async function openToday(
  tx: StudioTransaction,
  me: Member,
  now: Date,
  {
    clientId,
    services,
    until,
    fresh,
  }: {
    clientId: string;
    services: readonly Service[];
    until: "started" | "finished";
    fresh: { service: Service; minutes: number };
  },
): Promise<string> {
  const { from, to } = dayIn(me.timeZone, todayIn(me.timeZone, now));
  const [agreed] = await tx
    .select({ id: visit.id })
    .from(visit)
    .leftJoin(visitEvent, and(eq(visitEvent.studioId, visit.studioId), eq(visitEvent.visitId, visit.id), eq(visitEvent.type, until)))
    .where(
      and(
        eq(visit.clientId, clientId),
        inArray(visit.service, [...services]),
        gte(visit.startsAt, from),
        lt(visit.startsAt, to),
        isNull(visitEvent.id),
      ),
    )
    .orderBy(asc(visit.startsAt))
    .limit(1);
  if (agreed) return agreed.id;
  const [place] = await tx.select({ id: room.id }).from(room).orderBy(asc(room.createdAt), asc(room.name)).limit(1);
  if (!place) throw new Refusal("The studio has no room yet. Add one on the air page.");
  const id = randomUUID();
  await tx
    .insert(visit)
    .values({ studioId: me.studioId, id, clientId, technicianId: me.id, roomId: place.id, chair: 1, startsAt: now, ...fresh });
  return id;
}
