import "server-only";
import { and, eq, gt, inArray, isNotNull, isNull, max, min, sql, type SQL } from "drizzle-orm";
import { z } from "zod";
import { WORN_DAYS, wornAt } from "@/core/care";
import { returnStanding, type ReturnStanding } from "@/core/client";
import type { Policy } from "@/core/policy";
import { isStorable } from "@/core/units";
import { client, visit, visitOutcome } from "@/db/schema";
import { found, foundBy, inOrder, isSomebody } from "@/features/person/search";
import { wornFactsOf } from "@/features/visit/careFacts";
import { fillDays } from "@/features/visit/comeBack";
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
  /** Where it was asked for: in the lists of who is due and who was not here for long. */
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

type Comings = {
  /** When each of some clients, or of all, was here last, and with nothing cancelled is booked next. */
  readonly last: ReadonlyMap<string, Date>;
  readonly next: ReadonlyMap<string, Date>;
};

async function comingsOf(tx: StudioTransaction, now: Date, ids: readonly string[] | null): Promise<Comings> {
  const ofThese = ids === null ? undefined : inArray(visit.clientId, [...ids]);
  const itsOutcome = and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id));
  const [last, next] = await together([
    tx
      .select({ clientId: visit.clientId, at: max(visitOutcome.begunAt) })
      .from(visit)
      .innerJoin(visitOutcome, itsOutcome)
      .where(and(ofThese, notCancelled, isNotNull(visitOutcome.begunAt)))
      .groupBy(visit.clientId),
    tx
      .select({ clientId: visit.clientId, at: min(visit.startsAt) })
      .from(visit)
      .leftJoin(visitOutcome, itsOutcome)
      .where(and(ofThese, notCancelled, isNull(visitOutcome.begunAt), gt(visit.endsAt, now)))
      .groupBy(visit.clientId),
  ]);
  const dated = (rows: typeof last) => new Map(rows.flatMap(({ clientId, at }) => (at ? [[clientId, at] as const] : [])));
  return { last: dated(last), next: dated(next) };
}

/** Where those stand who were here, have nothing booked and are not archived: told for all of them at once. */
async function standingsOf(tx: StudioTransaction, me: Member, now: Date, policy: Policy, { last, next }: Comings, ids: readonly string[]) {
  const asked = ids.filter((id) => last.has(id) && !next.has(id));
  const dayOf = (ms: number) => todayIn(me.timeZone, new Date(ms));
  const on = { nowMs: now.getTime(), today: todayIn(me.timeZone, now), dayOf };
  const nothing = { past: [], extensionsSeen: null, fillDay: null };
  const lastDay = (id: string) => dayOf(last.get(id)!.getTime());
  // Who has stayed away is known by the day alone.
  const recent = asked.filter((id) => returnStanding({ ...nothing, lastDay: lastDay(id) }, on, policy) === null);
  // What was before they would be long away tells nothing of when they come back.
  const since = new Date(now.getTime() - Math.max(policy.longNotHereDays + 1, WORN_DAYS + 1) * 86_400_000);
  const facts = await wornFactsOf(tx, now, recent, since);
  const fills = await fillDays(
    tx,
    me,
    recent.filter((id) => wornAt(facts.get(id)!, now.getTime())),
    policy,
    now,
  );
  const standings = new Map(
    asked.map((id) => {
      const known = facts.get(id);
      const judged = known ? { ...known, fillDay: fills.days.get(id) ?? null } : nothing;
      return [id, returnStanding({ ...judged, lastDay: lastDay(id) }, on, policy)] as const;
    }),
  );
  return { standings, unsure: fills.unsure };
}

type Listed = {
  readonly clients: ListedClient[];
  readonly total: number;
  /** Whose fill is not reckoned yet: they may be due sooner than is told. */
  readonly unsure: readonly string[];
};

/** Clients that a filter lets through, in the order of the list, `page` by page or all of them, and how many there are. */
async function listed(
  tx: StudioTransaction,
  me: Member,
  { find, show, page }: Omit<ListFilter, "page"> & { readonly page: number | null },
  now: Date,
): Promise<Listed> {
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
  const comings = await comingsOf(tx, now, isJudged || limit === null ? null : people.map(({ id }) => id));
  const judgedBy = isJudged
    ? await standingsOf(
        tx,
        me,
        now,
        policy,
        comings,
        people.map(({ id }) => id),
      )
    : null;
  const all = people.map(({ total: _, ...person }): ListedClient => ({
    ...person,
    lastVisit: comings.last.get(person.id) ?? null,
    nextBooked: comings.next.get(person.id) ?? null,
    standing: judgedBy?.standings.get(person.id) ?? null,
    foundBy: find ? foundBy(find, person) : "",
  }));
  if (!judgedBy) return { clients: all, total: people[0]?.total ?? 0, unsure: [] };
  const judged = all.filter(({ standing }) => standing?.kind === show);
  // Whom to call first stands first.
  if (show === "due") judged.sort((a, b) => dueOn(a).localeCompare(dueOn(b)));
  return {
    clients: limit === null ? judged : judged.slice(offset, offset + limit),
    total: judged.length,
    unsure: show === "due" ? judgedBy.unsure : [],
  };
}

const dueOn = ({ standing }: ListedClient) => (standing?.kind === "due" ? standing.day : "");

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
