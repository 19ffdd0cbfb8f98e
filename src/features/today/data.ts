import "server-only";
import { and, asc, eq, inArray } from "drizzle-orm";
import type { LashMap } from "@/core/map";
import { lashMap, lashMapRevision, policy } from "@/db/schema";
import { standingWith, type FamilyStanding } from "@/features/clients/standing";
import { familiesFor } from "@/features/colour/families";
import { visitsWhere } from "@/features/visit/data";
import { startTheRoom } from "./startTheRoom";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { dayIn, todayIn } from "@/server/studioTime";

/** The day's visits of the studio, each with where its client stands with the patch tests it needs. */
export function todayPage(me: Member, now: Date) {
  const today = todayIn(me.timeZone, now);
  return inStudio(me, async (tx) => {
    const visits = await visitsWhere(tx, { day: dayIn(me.timeZone, today) });
    const [held] = await tx.select().from(policy);
    const standings = new Map<string, FamilyStanding | null>();
    for (const { id, clientId, service } of visits)
      standings.set(id, await standingWith(tx, clientId, today, familiesFor(service, held!.document)));
    const maps = await newestMaps(
      tx,
      visits.map(({ clientId }) => clientId),
    );
    return { today, visits, standings, maps, wishes: await startTheRoom(tx, visits, maps, me.timeZone, now) };
  });
}

/** The newest map of each client. */
async function newestMaps(tx: StudioTransaction, clientIds: string[]): Promise<Map<string, LashMap>> {
  if (clientIds.length === 0) return new Map();
  const rows = await tx
    .select({ clientId: lashMap.clientId, map: lashMapRevision.document })
    .from(lashMap)
    .innerJoin(
      lashMapRevision,
      and(
        eq(lashMapRevision.studioId, lashMap.studioId),
        eq(lashMapRevision.mapId, lashMap.id),
        eq(lashMapRevision.revision, lashMap.head),
      ),
    )
    .where(inArray(lashMap.clientId, clientIds))
    .orderBy(asc(lashMapRevision.createdAt));
  return new Map(rows.map((row) => [row.clientId, row.map]));
}
