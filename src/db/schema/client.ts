import { date, foreignKey, index, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { PATCH_FAMILIES } from "@/core/mixing";
import { createdAt, studioId, studioSchema } from "./studio";

/** A person who is worked on. Words about people stand here and in client notes, nowhere else. */
export const client = studioSchema.table(
  "client",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    name: text().notNull(),
    /** How they are reached, as they gave it; empty when they gave nothing. */
    contact: text().notNull().default(""),
    notes: text().notNull().default(""),
    /** Date of birth; null where nobody asked. */
    bornOn: date({ mode: "string" }),
    createdAt: createdAt(),
    updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    /** Put away, not destroyed; null while the client comes. */
    archivedAt: timestamp({ withTimezone: true }),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] }), index().on(t.studioId, t.name)],
);

export const PRODUCT_FAMILIES = PATCH_FAMILIES;
export const PATCH_RESULTS = ["waiting", "clear", "reaction"] as const;

export const patchTest = studioSchema.table(
  "patch_test",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    family: text({ enum: PRODUCT_FAMILIES }).notNull(),
    placedOn: date({ mode: "string" }).notNull(),
    result: text({ enum: PATCH_RESULTS }).notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.clientId),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
  ],
);
