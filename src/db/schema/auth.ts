import { relations } from "drizzle-orm";
import { bigint, boolean, index, integer, pgSchema, text, timestamp, uniqueIndex, uuid } from "drizzle-orm/pg-core";

/** Sign-in stands by itself: its own schema, its own database role, no client data. Columns as better-auth wants them. */
export const authSchema = pgSchema("auth");

const moments = {
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
};

export const user = authSchema.table("user", {
  id: uuid().primaryKey(),
  name: text().notNull(),
  email: text().notNull().unique(),
  emailVerified: boolean().notNull().default(false),
  image: text(),
  /** The studio this person works in. Their role stands with the studio, in studio.member. */
  studioId: uuid().notNull(),
  /** Whether a second factor is asked for at sign-in; set once its first code was right. */
  twoFactorEnabled: boolean().notNull().default(false),
  ...moments,
});

export const session = authSchema.table(
  "session",
  {
    id: uuid().primaryKey(),
    token: text().notNull().unique(),
    expiresAt: timestamp({ withTimezone: true }).notNull(),
    ipAddress: text(),
    userAgent: text(),
    userId: uuid()
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    ...moments,
  },
  (t) => [index().on(t.userId)],
);

export const account = authSchema.table(
  "account",
  {
    id: uuid().primaryKey(),
    accountId: text().notNull(),
    providerId: text().notNull(),
    userId: uuid()
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    accessToken: text(),
    refreshToken: text(),
    idToken: text(),
    accessTokenExpiresAt: timestamp({ withTimezone: true }),
    refreshTokenExpiresAt: timestamp({ withTimezone: true }),
    scope: text(),
    password: text(),
    ...moments,
  },
  (t) => [index().on(t.userId)],
);

export const verification = authSchema.table(
  "verification",
  {
    id: uuid().primaryKey(),
    identifier: text().notNull(),
    value: text().notNull(),
    expiresAt: timestamp({ withTimezone: true }).notNull(),
    ...moments,
  },
  (t) => [index().on(t.identifier)],
);

/** The second factor of a person: a shared secret and the recovery codes left, both encrypted. */
export const twoFactor = authSchema.table(
  "two_factor",
  {
    id: uuid().primaryKey(),
    secret: text().notNull(),
    backupCodes: text().notNull(),
    userId: uuid()
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    /** False until its first code was right. */
    verified: boolean().notNull().default(false),
    failedVerificationCount: integer().notNull().default(0),
    lockedUntil: timestamp({ withTimezone: true }),
    createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [uniqueIndex().on(t.userId)],
);

export const LINK_KINDS = ["invitation", "reset", "recovery"] as const;
export type LinkKind = (typeof LINK_KINDS)[number];

/** A one-time link by which a person sets a password: kept as a hash, dead once used, replaced or past its time. */
export const passwordLink = authSchema.table(
  "password_link",
  {
    hash: text().primaryKey(),
    userId: uuid()
      .notNull()
      .references(() => user.id, { onDelete: "cascade" }),
    kind: text({ enum: LINK_KINDS }).notNull(),
    createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    expiresAt: timestamp({ withTimezone: true }).notNull(),
    usedAt: timestamp({ withTimezone: true }),
  },
  (t) => [index().on(t.userId)],
);

/** How often something was asked or guessed, for every copy of the app alike. */
export const rateLimit = authSchema.table("rate_limit", {
  id: uuid().primaryKey(),
  key: text().notNull().unique(),
  count: integer().notNull(),
  lastRequest: bigint({ mode: "number" }).notNull(),
});

/** A session is read with its user, and a user with how they sign in, each in one query. */
export const sessionRelations = relations(session, ({ one }) => ({ user: one(user, { fields: [session.userId], references: [user.id] }) }));
export const accountRelations = relations(account, ({ one }) => ({ user: one(user, { fields: [account.userId], references: [user.id] }) }));
export const userRelations = relations(user, ({ many }) => ({ accounts: many(account), sessions: many(session) }));
