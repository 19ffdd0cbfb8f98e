import { relations } from "drizzle-orm";
import { bigint, boolean, index, integer, pgSchema, text, timestamp, uuid } from "drizzle-orm/pg-core";

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

/** How often an address has knocked, for every copy of the app alike. */
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
