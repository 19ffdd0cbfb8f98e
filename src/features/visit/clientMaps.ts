import "server-only";
import { and, desc, eq, inArray } from "drizzle-orm";
import type { Survey } from "@/core/eye";
import { practiceOnly, type LashMap, type Tray } from "@/core/map";
import { lashMap, lashMapRevision, survey, tray } from "@/db/schema";
import { knownClient, type KnownClient } from "@/features/person/knownClient";
import { Refusal } from "@/server/action";
import { together, type StudioTransaction } from "@/server/inStudio";

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

/** The one door for a map that is to be worn, whichever way it comes: practice lengths stay on mannequin heads. Tells whose it is. */
export async function refusePracticeLengths(tx: StudioTransaction, clientId: string, map: LashMap): Promise<KnownClient> {
  const worn = await knownClient(tx, clientId);
  const objection = worn.mannequin ? null : practiceOnly(map);
  if (objection) throw new Refusal(objection);
  return worn;
}

/** What a map is drawn with: the survey it stands on, and trays whose fibres curl their own way. */
export type MapGround = { readonly survey: Survey; readonly trays: readonly Tray[] };

/** What a saved map is drawn with, or null where it is not in this studio. */
export async function groundOf(tx: StudioTransaction, mapId: string): Promise<MapGround | null> {
  const [[row], trays] = await together([
    tx
      .select({ survey: survey.document })
      .from(lashMap)
      .innerJoin(survey, and(eq(survey.studioId, lashMap.studioId), eq(survey.id, lashMap.surveyId)))
      .where(eq(lashMap.id, mapId)),
    tx.select({ document: tray.document }).from(tray),
  ]);
  return row ? { survey: row.survey, trays: trays.map(({ document }) => document).filter(({ geometry }) => geometry) } : null;
}
