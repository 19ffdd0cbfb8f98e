import { SERVICE_IDS } from "@/core/service";
import { sql } from "drizzle-orm";
import { boolean, foreignKey, index, integer, jsonb, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import type { VisitEvent } from "@/core/visit";
import { client } from "./client";
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
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.startsAt),
    index().on(t.studioId, t.clientId, t.startsAt),
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
    type: text().$type<VisitEvent["type"]>().notNull(),
    payload: jsonb().$type<VisitEvent["payload"]>().notNull(),
    memberId: uuid().notNull(),
    /**
     * The bottle of a bead, the event that is taken back. A column of its own, for row-level security keeps the planner
     * from using an index on what stands inside the payload.
     */
    about: uuid().generatedAlwaysAs(
      sql`(case type when 'beadPlaced' then payload->>'bottleId' when 'undone' then payload->>'eventId' end)::uuid`,
    ),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.visitId),
    index("visit_event_about")
      .on(t.studioId, t.type, t.about)
      .where(sql`about is not null`),
    index("visit_event_checks")
      .on(t.studioId, t.memberId, t.at)
      .where(sql`type = 'checked'`),
    foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visit.studioId, visit.id] }),
  ],
);

/** Something that happened at a visit although it was stopped, or asked about and not answered. Kept, never refused, never changed. */
export const visitMark = studioSchema.table(
  "visit_mark",
  {
    studioId: studioId(),
    visitId: uuid().notNull(),
    /** Which of care's findings, or `openIncident`. */
    key: text().notNull(),
    weight: text({ enum: ["stop", "ask"] }).notNull(),
    words: text().notNull(),
    /** The first event that went against it. */
    eventId: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.visitId, t.key] }),
    foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visit.studioId, visit.id] }),
  ],
);
