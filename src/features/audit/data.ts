import "server-only";
import { and, asc, desc, eq, gte, inArray, lt, or, type SQL } from "drizzle-orm";
import { alias } from "drizzle-orm/pg-core";
import { z } from "zod";
import { auditEntry, client, member } from "@/db/schema";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { dayIn } from "@/server/studioTime";
import { typedDay } from "@/server/typed";
import { AUDIT_GROUPS, AUDIT_WORDS } from "./auditWords";

export const AUDIT_PAGE = 100;
/** An export holds no more lines than this. */
export const AUDIT_MOST = 100_000;

const day = typedDay().optional().catch(undefined);

/** What is asked of the list, out of the address; what is not understood is left out. */
export const auditFilter = z.object({
  who: z.uuid().optional().catch(undefined),
  what: z
    .enum(Object.keys(AUDIT_GROUPS) as [keyof typeof AUDIT_GROUPS])
    .optional()
    .catch(undefined),
  from: day,
  to: day,
  page: z.coerce.number().int().min(1).max(10_000).catch(1),
});
export type AuditFilter = z.infer<typeof auditFilter>;

export type AuditLine = {
  readonly id: string;
  readonly at: Date;
  /** Who did it; "somebody" who did not sign in, "on the server" where it was done there. */
  readonly by: string;
  readonly words: string;
  /** To whom, where that is another. */
  readonly person: string | null;
  readonly client: { readonly id: string; readonly name: string | null } | null;
  readonly detail: string | null;
  readonly address: string | null;
};

function where(me: Member, { who, what, from, to }: AuditFilter): SQL | undefined {
  return and(
    who ? or(eq(auditEntry.byId, who), eq(auditEntry.memberId, who)) : undefined,
    what ? inArray(auditEntry.kind, [...AUDIT_GROUPS[what].kinds]) : undefined,
    from ? gte(auditEntry.at, dayIn(me.timeZone, from).from) : undefined,
    to ? lt(auditEntry.at, dayIn(me.timeZone, to).to) : undefined,
  );
}

async function linesOf(tx: StudioTransaction, filter: SQL | undefined, most: number, skip: number): Promise<AuditLine[]> {
  const whom = alias(member, "whom");
  const rows = await tx
    .select({ entry: auditEntry, by: member.name, whom: whom.name, clientName: client.name, clientGone: client.gone })
    .from(auditEntry)
    .leftJoin(member, and(eq(member.studioId, auditEntry.studioId), eq(member.id, auditEntry.byId)))
    .leftJoin(whom, and(eq(whom.studioId, auditEntry.studioId), eq(whom.id, auditEntry.memberId)))
    .leftJoin(client, and(eq(client.studioId, auditEntry.studioId), eq(client.id, auditEntry.clientId)))
    .where(filter)
    .orderBy(desc(auditEntry.at), asc(auditEntry.id))
    .limit(most)
    .offset(skip);
  return rows.map(({ entry, by, whom: person, clientName, clientGone }) => ({
    id: entry.id,
    at: entry.at,
    by: by ?? (entry.kind === "signInFailed" ? "somebody" : "on the server"),
    words: AUDIT_WORDS[entry.kind],
    person: entry.memberId !== entry.byId ? person : null,
    client: entry.clientId ? { id: entry.clientId, name: clientGone === "erased" ? null : clientName } : null,
    detail: entry.detail,
    address: entry.address,
  }));
}

/** A page of the list, newest first, and whose lines may be asked for. */
export function auditPage(me: Member, filter: AuditFilter) {
  return inStudio(me, async (tx) => {
    const [lines, people] = await together([
      linesOf(tx, where(me, filter), AUDIT_PAGE + 1, (filter.page - 1) * AUDIT_PAGE),
      tx.select({ id: member.id, name: member.name }).from(member).orderBy(asc(member.name)),
    ]);
    return { lines: lines.slice(0, AUDIT_PAGE), more: lines.length > AUDIT_PAGE, people };
  });
}

/** All that a filter lets through, for an export, which is itself told of. */
export function auditLines(me: Member, filter: AuditFilter, tell: (tx: StudioTransaction) => Promise<void>): Promise<AuditLine[]> {
  return inStudio(me, async (tx) => {
    const lines = await linesOf(tx, where(me, filter), AUDIT_MOST, 0);
    await tell(tx);
    return lines;
  });
}
