import "server-only";
import { and, asc, desc, eq, ilike, isNull, max, sql } from "drizzle-orm";
import type { LashMap } from "@/core/map";
import { PATCH_FAMILIES } from "@/core/mixing";
import type { Survey } from "@/core/eye";
import { client, lashMap, lashMapRevision, patchTest, policy, survey, visit } from "@/db/schema";
import { familiesFor } from "@/features/colour/families";
import { namesOf, usedBottles } from "@/features/shelf/bottles";
import { visitsWhere } from "@/features/visit/data";
import { waterOf } from "@/features/visit/water";
import { standingsOf } from "./standing";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { todayIn } from "@/server/studioTime";

const PAGE = 60;
const literal = (text: string) => text.replace(/[\\%_]/g, (c) => `\\${c}`);

/** Clients by name, those put away left out; at most a page of them. */
export function listClients(me: Member, search: string) {
  return inStudio(me, async (tx) => {
    const rows = await tx
      .select({ id: client.id, name: client.name, contact: client.contact, lastVisit: max(visit.startsAt) })
      .from(client)
      .leftJoin(visit, and(eq(visit.studioId, client.studioId), eq(visit.clientId, client.id), sql`${visit.startsAt} < now()`))
      .where(and(isNull(client.archivedAt), search ? ilike(client.name, `%${literal(search)}%`) : undefined))
      .groupBy(client.id, client.name, client.contact)
      .orderBy(asc(client.name))
      .limit(PAGE + 1);
    return { clients: rows.slice(0, PAGE), more: rows.length > PAGE };
  });
}

/** Newest survey of a client, or null. */
export async function newestSurvey(
  tx: StudioTransaction,
  clientId: string,
): Promise<{ id: string; document: Survey; createdAt: Date } | null> {
  const [row] = await tx
    .select({ id: survey.id, document: survey.document, createdAt: survey.createdAt })
    .from(survey)
    .where(eq(survey.clientId, clientId))
    .orderBy(desc(survey.createdAt))
    .limit(1);
  return row ?? null;
}

export type MapLine = {
  readonly id: string;
  readonly title: string;
  readonly map: LashMap;
  readonly revision: number;
  readonly savedAt: Date;
};

async function mapsOf(tx: StudioTransaction, clientId: string): Promise<MapLine[]> {
  const rows = await tx
    .select({ id: lashMap.id, map: lashMapRevision.document, revision: lashMapRevision.revision, savedAt: lashMapRevision.createdAt })
    .from(lashMap)
    .innerJoin(
      lashMapRevision,
      and(
        eq(lashMapRevision.studioId, lashMap.studioId),
        eq(lashMapRevision.mapId, lashMap.id),
        eq(lashMapRevision.revision, lashMap.head),
      ),
    )
    .where(eq(lashMap.clientId, clientId))
    .orderBy(desc(lashMapRevision.createdAt));
  return rows.map((row) => ({ ...row, title: row.map.title }));
}

/** Everything the client page shows, or null when the client is not in this studio. */
export function clientPage(me: Member, id: string, now: Date) {
  return inStudio(me, async (tx) => {
    const [person] = await tx.select().from(client).where(eq(client.id, id));
    if (!person) return null;
    const today = todayIn(me.timeZone, now);
    const visits = await visitsWhere(tx, { clientId: id });
    const tests = await tx.select().from(patchTest).where(eq(patchTest.clientId, id)).orderBy(desc(patchTest.placedOn));
    // What they were tested for, and what they come for; adhesive for whoever comes for the first time.
    const [held] = await tx.select().from(policy);
    const wanted = visits.flatMap(({ service }) => familiesFor(service, held!.document));
    const families = PATCH_FAMILIES.filter(
      (family) => wanted.includes(family) || tests.some((test) => test.family === family) || (family === "adhesive" && visits.length === 0),
    );
    return {
      person,
      today,
      standings: await standingsOf(tx, id, today, families),
      tests,
      survey: await newestSurvey(tx, id),
      maps: await mapsOf(tx, id),
      visits,
      water: await waterOf(tx, visits.slice(-1)),
      bottles: namesOf(
        await usedBottles(
          tx,
          visits.map(({ state }) => state),
        ),
      ),
    };
  });
}
export type ClientPage = NonNullable<Awaited<ReturnType<typeof clientPage>>>;

export function clientForm(me: Member, id: string) {
  return inStudio(me, async (tx) => (await tx.select().from(client).where(eq(client.id, id)))[0] ?? null);
}
