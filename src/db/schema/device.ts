import { integer, pgSchema, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";

/** Outside devices: tokens are kept as hashes, and only the intake's definer function reads them. */
export const deviceSchema = pgSchema("device");

export const token = deviceSchema.table("token", {
  /** SHA-256 of the token, hex. */
  hash: text().primaryKey(),
  studioId: uuid().notNull(),
  sensorId: uuid().notNull(),
  createdAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  revokedAt: timestamp({ withTimezone: true }),
  /** Fixed window of the rate limit. */
  windowStart: timestamp({ withTimezone: true }).notNull().defaultNow(),
  windowCount: integer().notNull().default(0),
});

/** Hours of a sensor whose roll-ups are owed. */
export const owed = deviceSchema.table(
  "owed",
  {
    studioId: uuid().notNull(),
    sensorId: uuid().notNull(),
    hour: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    since: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.sensorId, t.hour] })],
);
