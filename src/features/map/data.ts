import "server-only";
import { and, asc, desc, eq, inArray } from "drizzle-orm";
import type { Survey } from "@/core/eye";
import { firstPlan, planWords, traysFor, type LashMap, type OwnLook, type PlacingPace, type Tray } from "@/core/map";
import type { Policy } from "@/core/policy";
import { client, lashMap, lashMapRevision, mapNote, mapTemplate, member, ownLook, survey, tray } from "@/db/schema";
import { newestSurvey } from "@/features/survey/newestSurvey";
import { mapsOf } from "@/features/visit/clientMaps";
import { lastMapOf } from "@/features/visit/data";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import { mayActAs, type Member } from "@/server/member";
import { formatIn } from "@/server/studioTime";
import { ownPace } from "@/features/visit/ownPace";
import { studioPolicy } from "@/server/studioPolicy";

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
  /**
   * What the work begins from: the saved map, else a plan by the client's newest map, else a first one, with what of it
   * could not be kept. Null where the shelf holds nothing to plan in.
   */
  readonly start: { readonly map: LashMap; readonly notKept: readonly string[] } | null;
  readonly ownLooks: readonly { readonly id: string; readonly look: OwnLook }[];
  /** The technician's own pace where enough sets are known, else the studio's. */
  readonly pace: PlacingPace & { readonly known: boolean };
  readonly mayForget: boolean;
  readonly mayApprove: boolean;
};

/** What is known of a map and its kin. */
export type MapHistory = {
  readonly saves: readonly { readonly revision: number; readonly savedOn: string; readonly savedBy: string }[];
  readonly others: readonly {
    readonly id: string;
    readonly title: string;
    readonly revision: number;
    readonly savedOn: string;
    readonly worn: boolean;
  }[];
  readonly templates: readonly { readonly id: string; readonly map: LashMap; readonly keptBy: string }[];
  readonly notes: readonly {
    readonly id: string;
    readonly kind: (typeof mapNote.$inferSelect)["kind"];
    readonly words: string;
    readonly revision: number;
    readonly writtenBy: string;
    readonly writtenOn: string;
  }[];
};

/** Other maps of a client that are shown beside one. */
const OTHERS = 20;

/** A map joined to its newest revision. */
const headOn = and(
  eq(lashMapRevision.studioId, lashMap.studioId),
  eq(lashMapRevision.mapId, lashMap.id),
  eq(lashMapRevision.revision, lashMap.head),
);

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
    .innerJoin(lashMapRevision, headOn)
    .where(eq(lashMap.id, mapId));
  return row ?? null;
}

/** What the map workspace needs; `"no survey"` when there is nothing to plan on, null when it is not in this studio. */
export async function mapPage(me: Member, clientId: string, mapId: string | null): Promise<MapPage | "no survey" | null> {
  const read = await inStudio(me, async (tx) => {
    const [[person], head, newest, trays, policy, [newestMap], looks] = await together([
      tx.select({ name: client.name }).from(client).where(eq(client.id, clientId)),
      mapId ? headOf(tx, mapId) : null,
      newestSurvey(tx, clientId),
      tx.select({ document: tray.document }).from(tray),
      studioPolicy(tx),
      mapId ? [] : mapsOf(tx, [clientId]),
      tx.select({ id: ownLook.id, look: ownLook.document }).from(ownLook).orderBy(asc(ownLook.createdAt)),
    ]);
    if (!person) return null;
    if (mapId && head?.clientId !== clientId) return null;
    if (!newest) return "no survey";
    const [[planned], pace] = await together([
      head ? tx.select().from(survey).where(eq(survey.id, head.surveyId)) : [],
      ownPace(tx, me.id, policy),
    ]);
    const used = planned ?? newest;
    const onShelf = traysFor(
      trays.map((row) => row.document),
      used.document,
    );
    return {
      clientId,
      clientName: person.name,
      survey: { id: used.id, document: used.document },
      newerSurveyId: newest.id === used.id ? null : newest.id,
      saved: head ? { id: head.id, map: head.map, revision: head.revision, surveyId: head.surveyId } : null,
      last: newestMap?.map ?? null,
      trays: onShelf,
      policy,
      ownLooks: looks,
      pace,
      mayForget: mayActAs(me, "technician"),
      mayApprove: mayActAs(me, "technician"),
    };
  });
  if (!read || read === "no survey") return read;
  const { last, ...page } = read;
  if (page.saved) return { ...page, start: { map: page.saved.map, notKept: [] } };
  // Planned once the reading is over: no connection waits for it.
  const plan = firstPlan(page.survey.document, last, page.policy, page.trays);
  return { ...page, start: plan && { map: plan.map, notKept: planWords(plan) } };
}

/** A saved map with all a print of it needs; null when it is not in this studio. */
export function mapForFiles(me: Member, mapId: string) {
  return inStudio(me, async (tx) => {
    const head = await headOf(tx, mapId);
    if (!head) return null;
    const [planned] = await tx.select().from(survey).where(eq(survey.id, head.surveyId));
    const trays = await tx.select({ document: tray.document }).from(tray);
    const policy = await studioPolicy(tx);
    const [person] = await tx.select({ name: client.name }).from(client).where(eq(client.id, head.clientId));
    return {
      ...head,
      survey: planned!.document,
      trays: trays.map((row) => row.document),
      policy,
      pace: await ownPace(tx, me.id, policy),
      clientName: person!.name,
    };
  });
}

/** Saves of a map, the client's other maps, the studio's templates, and what was said of it; null for no client of ours. */
export function historyOf(me: Member, clientId: string, mapId: string): Promise<MapHistory | null> {
  return inStudio(me, async (tx) => {
    const [known] = await tx.select({ id: client.id }).from(client).where(eq(client.id, clientId));
    if (!known) return null;
    const on = (at: Date) => formatIn(me.timeZone, at, "d MMM yyyy, HH:mm");
    const saves = await tx
      .select({ revision: lashMapRevision.revision, at: lashMapRevision.createdAt, by: member.name })
      .from(lashMapRevision)
      .innerJoin(lashMap, and(eq(lashMap.studioId, lashMapRevision.studioId), eq(lashMap.id, lashMapRevision.mapId)))
      .leftJoin(member, and(eq(member.studioId, lashMapRevision.studioId), eq(member.id, lashMapRevision.savedBy)))
      .where(and(eq(lashMapRevision.mapId, mapId), eq(lashMap.clientId, clientId)))
      .orderBy(desc(lashMapRevision.revision))
      .limit(50);
    const others = (await mapsOf(tx, [clientId])).filter(({ id }) => id !== mapId).slice(0, OTHERS);
    const lastWorn = await lastMapOf(tx, clientId);
    const templates = await tx
      .select({ id: mapTemplate.id, map: mapTemplate.document, by: member.name })
      .from(mapTemplate)
      .leftJoin(member, and(eq(member.studioId, mapTemplate.studioId), eq(member.id, mapTemplate.keptBy)))
      .orderBy(asc(mapTemplate.createdAt));
    const notes = await tx
      .select({ note: mapNote, by: member.name })
      .from(mapNote)
      .leftJoin(member, and(eq(member.studioId, mapNote.studioId), eq(member.id, mapNote.writtenBy)))
      .where(inArray(mapNote.mapId, saves.length ? [mapId] : []))
      .orderBy(desc(mapNote.createdAt));
    return {
      saves: saves.map(({ revision, at, by }) => ({ revision, savedOn: on(at), savedBy: by ?? "somebody who has left" })),
      others: others.map(({ id, map, revision, savedAt }) => ({
        id,
        title: map.title,
        revision,
        savedOn: on(savedAt),
        worn: lastWorn?.mapId === id,
      })),
      templates: templates.map(({ id, map, by }) => ({ id, map, keptBy: by ?? "somebody who has left" })),
      notes: notes.map(({ note, by }) => ({
        id: note.id,
        kind: note.kind,
        words: note.words,
        revision: note.revision,
        writtenBy: by ?? "somebody who has left",
        writtenOn: on(note.createdAt),
      })),
    };
  });
}
