import { pgSchema, text, timestamp, uuid } from "drizzle-orm/pg-core";

/** Everything of the trade. Each row belongs to a studio, and row-level security keeps it there. */
export const studioSchema = pgSchema("studio");

/** First column of every table's key. */
export const studioId = () => uuid().notNull();
export const createdAt = () => timestamp({ withTimezone: true }).notNull().defaultNow();

export const studio = studioSchema.table("studio", {
  studioId: studioId().primaryKey(),
  name: text().notNull(),
  timeZone: text().notNull(),
  /** Since when a second factor is asked of everybody who signs in; null where it is everybody's own choice. */
  secondFactorSince: timestamp({ withTimezone: true }),
  createdAt: createdAt(),
});
