import { sql } from "drizzle-orm";
import { boolean, check, date, foreignKey, index, integer, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { PATCH_RESULTS } from "@/core/care";
import { PATCH_FAMILIES } from "@/core/mixing";
import { ofTheDatabase } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";

/** A person who is worked on, or a mannequin head for practice. Words about people stand here and in client notes, nowhere else. */
export const client = studioSchema.table(
  "client",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    name: text().notNull(),
    phone: text().notNull().default(""),
    email: text().notNull().default(""),
    /** How they are reached otherwise, as they gave it; empty when they gave nothing. */
    contact: text().notNull().default(""),
    notes: text().notNull().default(""),
    /** Date of birth; null where nobody asked. */
    bornOn: date({ mode: "string" }),
    /** A mannequin head; never changes, for what was drawn and done on one is not for a client. */
    mannequin: boolean().notNull().default(false),
    createdAt: createdAt(),
    updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    /** Archived, not destroyed; null while the client comes. Whoever is gone is archived as well. */
    archivedAt: timestamp({ withTimezone: true }),
    /** Why there is nobody behind it any more; null for a client that is one. */
    gone: text({ enum: ["merged", "erased", "takenBack"] }),
    /** The client it was merged into: what names this one means that one. */
    mergedInto: uuid(),
    /** The file it came by; null for who was written down here. */
    importId: uuid(),
    /** The name as it is searched (`core/client/fold`), and with it all else that is. */
    foldedName: text().generatedAlwaysAs(sql`studio.fold(name)`),
    searched: text().generatedAlwaysAs(
      sql`studio.fold(name || ' ' || email || ' ' || phone || ' ' || studio.figures(phone) || ' ' || contact || ' ' || notes)`,
    ),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.name),
    index()
      .on(t.studioId, t.importId)
      .where(sql`import_id is not null`),
    index()
      .on(t.studioId, t.mergedInto)
      .where(sql`merged_into is not null`),
    check("gone_is_archived", sql`gone is null or archived_at is not null`),
    check("merged_into_another", sql`(merged_into is not null) = coalesce(gone = 'merged', false) and merged_into <> id`),
  ],
);

/** Two entries that are one person, made one: what of the other's became the kept one's, so that it can be taken apart again. */
export const clientMerge = studioSchema.table(
  "client_merge",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    keptId: uuid().notNull(),
    goneId: uuid().notNull(),
    /** The kept one's own words as they stood before: name, phone, email, contact, notes, bornOn. */
    stood: ofTheDatabase().notNull(),
    /** Which rows were the other's, by table. */
    moved: ofTheDatabase().notNull(),
    byId: uuid().notNull(),
    createdAt: createdAt(),
    undoneAt: timestamp({ withTimezone: true }),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] }), index().on(t.studioId, t.keptId)],
);

/** Two clients of whom somebody said that they are not one person: nobody is asked again. The smaller id stands first. */
export const clientApart = studioSchema.table(
  "client_apart",
  { studioId: studioId(), oneId: uuid().notNull(), otherId: uuid().notNull(), byId: uuid().notNull(), createdAt: createdAt() },
  (t) => [primaryKey({ columns: [t.studioId, t.oneId, t.otherId] })],
);

/** A file of clients that was read in. */
export const clientImport = studioSchema.table(
  "client_import",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    fileName: text().notNull(),
    clients: integer().notNull(),
    byId: uuid().notNull(),
    createdAt: createdAt(),
    /** Taken back, whole; null while it counts. */
    takenBackAt: timestamp({ withTimezone: true }),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
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

/** Tables that name a client by `client_id`, the audit list apart: what is moved by a merge, handed out and kept from being forgotten. */
export const NAMES_A_CLIENT = ["visit", "survey", "lash_map", "picture", "patch_test", "consultation", "consent", "visit_mark"] as const;
