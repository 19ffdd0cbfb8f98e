import "server-only";
import { and, desc, eq, inArray } from "drizzle-orm";
import type { LashMap } from "@/core/map";
import { lashMap, lashMapRevision } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** A map as it was saved last. */
export type ClientMap = {
  readonly id: string;
  readonly clientId: string;
  readonly surveyId: string;
  readonly map: LashMap;
  readonly revision: number;
  readonly savedAt: Date;
};

/** The maps of some clients as they were saved last, the newest first. */
export async function mapsOf(tx: StudioTransaction, clientIds: readonly string[]): Promise<ClientMap[]> {
  if (clientIds.length === 0) return [];
  return tx
    .select({
      id: lashMap.id,
      clientId: lashMap.clientId,
      surveyId: lashMap.surveyId,
      map: lashMapRevision.document,
      revision: lashMap.head,
      savedAt: lashMapRevision.createdAt,
    })
    .from(lashMap)
    .innerJoin(
      lashMapRevision,
      and(
        eq(lashMapRevision.studioId, lashMap.studioId),
        eq(lashMapRevision.mapId, lashMap.id),
        eq(lashMapRevision.revision, lashMap.head),
      ),
    )
    .where(inArray(lashMap.clientId, [...clientIds]))
    .orderBy(desc(lashMapRevision.createdAt));
}
