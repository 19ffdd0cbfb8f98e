import "server-only";
import { and, eq, inArray, isNotNull, isNull, max, min, sql, type SQL } from "drizzle-orm";
import { group } from "d3";
import { z } from "zod";
import { returnStanding, type LastHad, type ReturnStanding } from "@/core/client";
import { isStorable } from "@/core/units";
import { client, visit, visitOutcome } from "@/db/schema";
import { found, foundBy, inOrder, isSomebody } from "@/features/person/search";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { studioPolicy } from "@/server/studioPolicy";
import { todayIn } from "@/server/studioTime";

export const CLIENTS_A_PAGE = 60;
export const SHOWN = ["all", "due", "longNotHere", "archived"] as const;
export type Shown = (typeof SHOWN)[number];

/** What is asked of the list, out of the address; what is not understood is left out, and what no name can hold finds nobody. */
export const listFilter = z.object({
  find: z
    .string()
    .transform((text) => text.slice(0, 120).trim())
    .transform((text) => (isStorable(text) ? text : text.replace(/[^\p{L}\p{N}\p{P}\p{Zs}]/gu, "\uFFFD")))
    .catch(""),
  show: z.enum(SHOWN).catch("all"),
  page: z.coerce.number().int().min(1).max(100_000).catch(1),
});
export type ListFilter = z.infer<typeof listFilter>;

export type ListedClient = {
  readonly id: string;
  readonly name: string;
  readonly mannequin: boolean;
  readonly phone: string;
  readonly email: string;
  readonly contact: string;
  readonly notes: string;
  readonly bornOn: string | null;
  readonly since: Date;
  readonly archivedAt: Date | null;
  /** Begun, not merely booked. */
  readonly lastVisit: Date | null;
  readonly nextBooked: Date | null;
  readonly standing: ReturnStanding;
  /** What else than the name a search found; empty where it was the name. */
  readonly foundBy: string;
};

const columns = {
  id: client.id,
  name: client.name,
  mannequin: client.mannequin,
  phone: client.phone,
  email: client.email,
  contact: client.contact,
  notes: client.notes,
  bornOn: client.bornOn,
  since: client.createdAt,
  archivedAt: client.archivedAt,
};

const notCancelled = and(isNull(visit.cancelledAt), isNull(visit.withdrawnAt));

/** Of some clients, or of all: when each had each service last, and what is booked next. */
async function comingsOf(tx: StudioTransaction, now: Date, ids: readonly string[] | null) {
  const ofThese = ids === null ? undefined : inArray(visit.clientId, [...ids]);
  const [had, next] = await together([
    tx
      .select({ clientId: visit.clientId, service: visit.service, at: max(visitOutcome.begunAt) })
      .from(visit)
      .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
      .where(and(ofThese, notCancelled, isNotNull(visitOutcome.begunAt)))
      .groupBy(visit.clientId, visit.service),
    tx
      .select({ clientId: visit.clientId, at: min(visit.startsAt) })
      .from(visit)
      .leftJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
      .where(and(ofThese, notCancelled, isNull(visitOutcome.begunAt), sql`${visit.endsAt} > ${now.toISOString()}`))
      .groupBy(visit.clientId),
  ]);
  return { had: group(had, ({ clientId }) => clientId), next: new Map(next.map(({ clientId, at }) => [clientId, at])) };
}

/** Clients that a filter lets through, in the order of the list, `page` by page or all of them, and how many there are. */
async function listed(
  tx: StudioTransaction,
  me: Member,
  { find, show, page }: Omit<ListFilter, "page"> & { readonly page: number | null },
  now: Date,
): Promise<{ clients: ListedClient[]; total: number }> {
  const policy = await studioPolicy(tx);
  const [offset, limit] = page === null ? [0, null] : [(page - 1) * CLIENTS_A_PAGE, CLIENTS_A_PAGE];
  // Who is due is not the database's to say: it tells when each was here, and core judges.
  const isJudged = show === "due" || show === "longNotHere";
  const which: SQL | undefined = and(
    isSomebody(),
    show === "archived" ? isNotNull(client.archivedAt) : isNull(client.archivedAt),
    isJudged ? eq(client.mannequin, false) : undefined,
    found(find),
  );
  const rows = tx
    .select({ ...columns, total: sql<number>`(count(*) over ())::int` })
    .from(client)
    .where(which)
    .orderBy(...inOrder(find, policy))
    .$dynamic();
  const people = isJudged || limit === null ? await rows : await rows.limit(limit).offset(offset);
  const { had, next } = await comingsOf(tx, now, isJudged || limit === null ? null : people.map(({ id }) => id));
  const today = todayIn(me.timeZone, now);
  const all = people.map(({ total: _, ...person }): ListedClient => {
    const begun = (had.get(person.id) ?? []).flatMap(({ service, at }) => (at ? [{ service, at }] : []));
    const lasts = begun.map(({ service, at }): LastHad => ({ service, day: todayIn(me.timeZone, at) }));
    const nextBooked = next.get(person.id) ?? null;
    return {
      ...person,
      lastVisit: begun.reduce<Date | null>((last, { at }) => (last && last >= at ? last : at), null),
      nextBooked,
      standing: nextBooked || person.mannequin || person.archivedAt ? null : returnStanding(lasts, today, policy),
      foundBy: find ? foundBy(find, person) : "",
    };
  });
  if (!isJudged) return { clients: all, total: people[0]?.total ?? 0 };
  const judged = all.filter(({ standing }) => standing?.kind === show);
  return { clients: limit === null ? judged : judged.slice(offset, offset + limit), total: judged.length };
}

/** A page of the list. A page past its end is the last one. */
export function listClients(me: Member, filter: ListFilter, now: Date) {
  return inStudio(me, async (tx) => {
    const { longNotHereDays: longDays } = await studioPolicy(tx);
    const first = await listed(tx, me, filter, now);
    if (first.clients.length > 0 || filter.page === 1) return { ...first, page: filter.page, longDays };
    const { total } = await listed(tx, me, { ...filter, page: 1 }, now);
    const last = Math.max(1, Math.ceil(total / CLIENTS_A_PAGE));
    return { ...(await listed(tx, me, { ...filter, page: last }, now)), page: last, longDays };
  });
}

/** All that a filter lets through, for an export, which is itself told of. */
export function listToExport(me: Member, filter: ListFilter, now: Date, tell: (tx: StudioTransaction) => Promise<void>) {
  return inStudio(me, async (tx) => {
    const { clients } = await listed(tx, me, { ...filter, page: null }, now);
    await tell(tx);
    return clients;
  });
}
