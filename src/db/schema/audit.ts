import { sql } from "drizzle-orm";
import { index, primaryKey, text, timestamp, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { studioId, studioSchema } from "./studio";

/** What the audit list tells of. */
export const AUDIT_KINDS = [
  "signedIn",
  "signInFailed",
  "signedOut",
  "passwordChanged",
  "passwordSet",
  "linkMade",
  "sessionsEnded",
  "secondFactorOn",
  "secondFactorOff",
  "recoveryCodesRenewed",
  "secondFactorDemanded",
  "secondFactorLeftFree",
  "invited",
  "nameChanged",
  "emailChanged",
  "roleChanged",
  "deactivated",
  "broughtBack",
  "stopLifted",
  "tokenGiven",
  "exported",
  "clientOpened",
  "clientsMerged",
  "mergeUndone",
  "clientErased",
] as const;
export type AuditKind = (typeof AUDIT_KINDS)[number];

/** Who did what to whom, when. Only ever added; read by the owner alone, and apart from the log. No name stands in it, only who it is. */
export const auditEntry = studioSchema.table(
  "audit_entry",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    at: timestamp({ withTimezone: true, precision: 3 }).notNull().defaultNow(),
    kind: text({ enum: AUDIT_KINDS }).notNull(),
    /** Who did it; null for what was done on the server, or by somebody not signed in. */
    byId: uuid(),
    /** The member it was done to, where that is another matter. */
    memberId: uuid(),
    clientId: uuid(),
    /** More of it, in the few words each kind has: what was exported, from which role to which. Never words about a client. */
    detail: text(),
    /** From which address it was sent, as far as that is known. */
    address: text(),
    /** What is told once only, however often it happens: a record opened, once an hour. */
    onceKey: text(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.at),
    // When each signed in last, for the page of people.
    index()
      .on(t.studioId, t.byId, t.at)
      .where(sql`kind = 'signedIn'`),
    uniqueIndex()
      .on(t.studioId, t.onceKey)
      .where(sql`once_key is not null`),
  ],
);
