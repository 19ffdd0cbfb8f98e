import { boolean, date, foreignKey, index, integer, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { PATCH_RESULTS } from "@/core/care";
import { PATCH_FAMILIES } from "@/core/mixing";
import { createdAt, studioId, studioSchema } from "./studio";

/** A person who is worked on, or a mannequin head for practice. Words about people stand here and in client notes, nowhere else. */
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
    /** A mannequin head; never changes, for what was drawn and done on one is not for a client. */
    mannequin: boolean().notNull().default(false),
    createdAt: createdAt(),
    updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    /** Put away, not destroyed; null while the client comes. */
    archivedAt: timestamp({ withTimezone: true }),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] }), index().on(t.studioId, t.name)],
);

export const PRODUCT_FAMILIES = PATCH_FAMILIES;

/** Product on skin, placed at a moment. Only ever added: what was read of it stands in readings. */
export const patchTest = studioSchema.table(
  "patch_test",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    family: text({ enum: PRODUCT_FAMILIES }).notNull(),
    /** The product that was placed; null where only its family is known. */
    productId: uuid(),
    placedAt: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    /** False for tests of before hours were written down: then only the day is known. */
    hourKnown: boolean().notNull().default(true),
    /** 48, or 24 where the leaflet says so. */
    readAfterHours: integer().notNull().default(48),
    recordedBy: uuid(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.clientId),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
  ],
);

/** A look at a test. Only ever added; a reaction stands for good. */
export const patchReading = studioSchema.table(
  "patch_reading",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    testId: uuid().notNull(),
    readAt: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    hourKnown: boolean().notNull().default(true),
    result: text({ enum: PATCH_RESULTS }).notNull(),
    /** Swelling, blisters or trouble breathing; null where nobody said. */
    severe: boolean(),
    readBy: uuid(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.testId),
    foreignKey({ columns: [t.studioId, t.testId], foreignColumns: [patchTest.studioId, patchTest.id] }),
  ],
);

/** The owner's lifting of a reaction for one product, by a dermatologist's written finding. Never changed. */
export const reactionLifting = studioSchema.table(
  "reaction_lifting",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    readingId: uuid().notNull(),
    productId: uuid().notNull(),
    finding: text().notNull(),
    liftedBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.readingId),
    foreignKey({ columns: [t.studioId, t.readingId], foreignColumns: [patchReading.studioId, patchReading.id] }),
  ],
);
