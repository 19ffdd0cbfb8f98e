import "server-only";
import { and, eq } from "drizzle-orm";
import type { Survey } from "@/core/eye";
import type { LashMap } from "@/core/map";
import type { Policy } from "@/core/policy";
import type { PatchTestStanding } from "@/core/visit";
import { client, lashMap, lashMapRevision, policy, survey, tray } from "@/db/schema";
import { newestSurvey } from "@/features/clients/data";
import { standingOf } from "@/features/clients/standing";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { todayIn } from "@/server/studioTime";
import type { Tray } from "@/core/map";

export type SavedMap = { readonly id: string; readonly map: LashMap; readonly revision: number; readonly surveyId: string };

export type MapPage = {
  readonly clientId: string;
  readonly clientName: string;
  readonly survey: { readonly id: string; readonly document: Survey };
  /** A later survey than the one this map was planned for. */
  readonly newerSurveyId: string | null;
  readonly saved: SavedMap | null;
  readonly trays: readonly Tray[];
  readonly policy: Policy;
  readonly standing: PatchTestStanding;
};

export async function headOf(tx: StudioTransaction, mapId: string) {
  const [row] = await tx
    .select({
      id: lashMap.id,
      clientId: lashMap.clientId,
      surveyId: lashMap.surveyId,
      revision: lashMap.head,
      map: lashMapRevision.document,
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
    .where(eq(lashMap.id, mapId));
  return row ?? null;
}

/** What the map workspace needs; `"no survey"` when there is nothing to plan on, null when it is not in this studio. */
export function mapPage(me: Member, clientId: string, mapId: string | null, now: Date): Promise<MapPage | "no survey" | null> {
  return inStudio(me, async (tx) => {
    const [person] = await tx.select({ name: client.name }).from(client).where(eq(client.id, clientId));
    if (!person) return null;
    const head = mapId ? await headOf(tx, mapId) : null;
    if (mapId && head?.clientId !== clientId) return null;
    const newest = await newestSurvey(tx, clientId);
    if (!newest) return "no survey";
    const [planned] = head ? await tx.select().from(survey).where(eq(survey.id, head.surveyId)) : [];
    const used = planned ?? newest;
    const trays = await tx.select({ document: tray.document }).from(tray);
    const [held] = await tx.select().from(policy);
    return {
      clientId,
      clientName: person.name,
      survey: { id: used.id, document: used.document },
      newerSurveyId: newest.id === used.id ? null : newest.id,
      saved: head ? { id: head.id, map: head.map, revision: head.revision, surveyId: head.surveyId } : null,
      trays: trays.map((row) => row.document),
      policy: held!.document,
      standing: await standingOf(tx, clientId, todayIn(me.timeZone, now)),
    };
  });
}

/** A saved map with its survey, for printing and files; null when it is not in this studio. */
export function mapForFiles(me: Member, mapId: string) {
  return inStudio(me, async (tx) => {
    const head = await headOf(tx, mapId);
    if (!head) return null;
    const [planned] = await tx.select().from(survey).where(eq(survey.id, head.surveyId));
    return { ...head, survey: planned!.document };
  });
}
