import "server-only";
import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import { headers } from "next/headers";
import { auditEntry, type AuditKind } from "@/db/schema";
import { addressOf } from "./address";
import { inStudio, type StudioScope, type StudioTransaction } from "./inStudio";
import { authDatabase } from "./pools";

/** To whom it was done, and what more is to be told of it. Never a name, and never words about a client. */
export type AuditDetail = { readonly memberId?: string; readonly clientId?: string; readonly detail?: string; readonly onceKey?: string };

/** From where the request in hand was sent; null outside a request. */
export async function addressNow(): Promise<string | null> {
  try {
    return addressOf(await headers());
  } catch {
    return null;
  }
}

/** Adds a line to the studio's audit list, in the transaction of what it tells of. */
export async function note(tx: StudioTransaction, me: StudioScope, kind: AuditKind, about: AuditDetail = {}): Promise<void> {
  const address = await addressNow();
  await tx
    .insert(auditEntry)
    .values({ studioId: me.studioId, id: randomUUID(), kind, byId: me.id, address, ...about })
    .onConflictDoNothing();
}

/** Told once an hour, however often a record is looked at. */
const hourOf = (now: Date) => now.toISOString().slice(0, 13);

/** That somebody opened a client's record, by the client's own page or one of their visits. A mannequin head has none. */
export async function noteOpened(
  me: StudioScope,
  what: { readonly clientId: string } | { readonly visitId: string },
  address: string | null,
  now: Date,
): Promise<void> {
  const which =
    "clientId" in what ? sql`c.id = ${what.clientId}` : sql`c.id = (select v.client_id from studio.visit v where v.id = ${what.visitId})`;
  await inStudio(me, (tx) =>
    tx.execute(sql`
      insert into studio.audit_entry (studio_id, id, kind, by_id, client_id, address, once_key)
      select c.studio_id, ${randomUUID()}, 'clientOpened', ${me.id}, c.id, ${address}, ${`opened ${me.id} `} || c.id || ${` ${hourOf(now)}`}
      from studio.client c where ${which} and not c.mannequin on conflict do nothing`),
  );
}

/** What happens at the door, where nobody is of a studio yet: noted in the studio of whom it is about. */
export async function noteSignIn(
  userId: string,
  kind: Extract<AuditKind, "signedIn" | "signedOut" | "signInFailed" | "passwordSet" | "linkMade">,
  detail: string | null,
  address: string | null,
): Promise<void> {
  await authDatabase().execute(sql`select auth.note(${userId}, ${kind}, ${detail}, ${address})`);
}
