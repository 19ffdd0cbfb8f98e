import { SERVICE_IDS } from "@/core/service";
import { sql } from "drizzle-orm";
import { boolean, foreignKey, index, integer, jsonb, primaryKey, text, timestamp, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { wornLashesDocument } from "@/core/map";
import { setPaceDocument } from "@/core/placing/setPaceSchema";
import { fillFoundDocument, howPlacedDocument } from "@/core/retention";
import { readState, writeState } from "@/core/visit";
import { client } from "./client";
import { documentOf, remadeOf } from "./document";
import { lashMapRevision } from "./lashMap";
import { chair, room } from "./room";
import { createdAt, studioId, studioSchema } from "./studio";

/** An agreed time. What happened at it stands in its events. */
export const visit = studioSchema.table(
  "visit",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    technicianId: uuid().notNull(),
    roomId: uuid().notNull(),
    chairId: uuid().notNull(),
    service: text({ enum: SERVICE_IDS }).notNull(),
    startsAt: timestamp({ withTimezone: true }).notNull(),
    minutes: integer().notNull(),
    endsAt: timestamp({ withTimezone: true })
      .notNull()
      .generatedAlwaysAs(sql`((starts_at at time zone 'UTC') + make_interval(mins => minutes)) at time zone 'UTC'`),
    /** Nobody else is booked into this time, for this person or at this chair. A walk-in only warns, and what is over holds nothing. */
    keepsTime: boolean().notNull().default(true),
    /** Counts up with every move; a move must name the one it was made from. */
    revision: integer().notNull().default(1),
    cancelledAt: timestamp({ withTimezone: true }),
    cancelledWhy: text().notNull().default(""),
    /** Taken back as a mistake before anything happened at it; then it is not shown. */
    withdrawnAt: timestamp({ withTimezone: true }),
    /** The map worn, and which save of it; null until one is chosen. */
    mapId: uuid(),
    mapRevision: integer(),
    /** Why it goes ahead in spite of what was to be asked first, in the technician's words; empty when nothing was. */
    askReason: text("patch_reason").notNull().default(""),
    /** What that reason was written for, by the keys of care's findings. */
    askKeys: text()
      .array()
      .notNull()
      .default(sql`'{}'::text[]`),
    /** How many events it has: each gets the next number as it is written down, under this row's lock. */
    lastSeq: integer().notNull().default(0),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.startsAt),
    index().on(t.studioId, t.clientId, t.startsAt),
    // A technician's own sets among all the fills: pace is learned from the last of them.
    index().on(t.studioId, t.technicianId, t.service, t.startsAt),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
    foreignKey({ columns: [t.studioId, t.roomId], foreignColumns: [room.studioId, room.id] }),
    foreignKey({ columns: [t.studioId, t.roomId, t.chairId], foreignColumns: [chair.studioId, chair.roomId, chair.id] }),
    foreignKey({
      columns: [t.studioId, t.mapId, t.mapRevision],
      foreignColumns: [lashMapRevision.studioId, lashMapRevision.mapId, lashMapRevision.revision],
    }),
  ],
);

/** Append-only: the database lets the app insert and read, never change. */
export const visitEvent = studioSchema.table(
  "visit_event",
  {
    studioId: studioId(),
    visitId: uuid().notNull(),
    /** Made by the device that was tapped. */
    id: uuid().notNull(),
    at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    serverTime: timestamp({ withTimezone: true, precision: 3 }).notNull().defaultNow(),
    clock: text({ enum: ["checked", "device"] }).notNull(),
    /** Any kind, also one that this version does not know; it is parsed where it is folded. */
    type: text().notNull(),
    version: integer().notNull().default(1),
    payload: jsonb().$type<unknown>().notNull(),
    /** Its number within the visit, without gaps; the trigger `event_numbered` gives it where none is named. */
    seq: integer().notNull().default(0),
    memberId: uuid().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    uniqueIndex("visit_event_numbered").on(t.studioId, t.visitId, t.seq),
    foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visit.studioId, visit.id] }),
  ],
);

/** A state is kept as it was folded; null where it is of another version, and is folded anew. */
const stateOf = remadeOf(readState, writeState);
const wornOf = documentOf(wornLashesDocument);
const paceOf = documentOf(setPaceDocument);
const howPlacedOf = documentOf(howPlacedDocument);
const foundOf = documentOf(fillFoundDocument);

/**
 * What a visit came to, written from its folded events in the same transaction. Everything here can be made again from the
 * events (`npm run rebuild`); lists, spacing, stock and statistics read it and never the events.
 */
export const visitOutcome = studioSchema.table(
  "visit_outcome",
  {
    studioId: studioId(),
    visitId: uuid().notNull(),
    /** The number of the last event in it; behind the visit's own where an older copy of the app wrote one. */
    throughSeq: integer().notNull(),
    begunAt: timestamp({ withTimezone: true, precision: 3 }),
    finishedAt: timestamp({ withTimezone: true, precision: 3 }),
    /** From when the days to the next service count; null where nothing was put on. */
    putOnAt: timestamp({ withTimezone: true, precision: 3 }),
    /** The kind of stop it was broken off with. */
    stopped: text({ enum: ["splash", "gluedLids"] }),
    /** Who tapped at it. */
    memberIds: uuid().array().notNull(),
    /** What the client left with, zone by zone; null until a set is finished, and where there is no map. */
    worn: wornOf(),
    /** How that was placed, as far as its retention may hang on it; null likewise. */
    howPlaced: howPlacedOf(),
    /** What it found of the set before; null where nothing was counted, taken off or told. */
    found: foundOf(),
    /** What its lashes took, by eye and technique; null where they were not tapped one by one. */
    pace: paceOf(),
    state: stateOf().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.visitId] }),
    foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visit.studioId, visit.id] }).onDelete("cascade"),
  ],
);

/** Lots of adhesive and of products that a visit used: by it a lot's clients are found, and the drops that left a bottle counted. */
export const visitLot = studioSchema.table(
  "visit_lot",
  {
    studioId: studioId(),
    visitId: uuid().notNull(),
    lotId: uuid().notNull(),
    /** Beads put out from a bottle; 0 for one that was only taken, and for what gives no drops. */
    beads: integer().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.lotId, t.visitId] }),
    index().on(t.studioId, t.visitId),
    foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visit.studioId, visit.id] }).onDelete("cascade"),
  ],
);

/** Brushes that were counted, each with whose: a technician's usual loss is learned from them. */
export const visitBrush = studioSchema.table(
  "visit_brush",
  {
    studioId: studioId(),
    visitId: uuid().notNull(),
    eventId: uuid().notNull(),
    memberId: uuid().notNull(),
    at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    cameOff: integer().notNull(),
    ofLashes: integer().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.eventId] }),
    index().on(t.studioId, t.memberId, t.at),
    index().on(t.studioId, t.visitId),
    foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visit.studioId, visit.id] }).onDelete("cascade"),
  ],
);

/** Something that happened at a visit although it was stopped, or asked about and not answered. Kept, never refused, never changed. */
export const visitMark = studioSchema.table(
  "visit_mark",
  {
    studioId: studioId(),
    visitId: uuid().notNull(),
    /** Whom it stood against: a visit may be corrected to another client. */
    clientId: uuid().notNull(),
    /** Which of care's findings; `openIncident` and `cancelled` are of the visit, whoever it was. */
    key: text().notNull(),
    weight: text({ enum: ["stop", "ask"] }).notNull(),
    words: text().notNull(),
    /** The first event that went against it. */
    eventId: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.visitId, t.clientId, t.key] }),
    foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visit.studioId, visit.id] }),
  ],
);
