import { sql } from "drizzle-orm";
import { foreignKey, index, integer, jsonb, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import type { ServiceKind } from "@/core/protocol";
import type { VisitEvent } from "@/core/visit";
import { client } from "./client";
import { lashMapRevision } from "./lashMap";
import { room } from "./room";
import { createdAt, studioId, studioSchema } from "./studio";

export const SERVICES = [
  "new set",
  "fill",
  "removal",
  "lift",
  "tint",
  "lift and tint",
  "brow tint",
  "lash and brow tint",
  "brow lamination",
  "brow lightening",
] as const;
export type Service = (typeof SERVICES)[number];

/** What an agreed visit is called, of the services worked by a protocol. */
export const SERVICE_OF: Record<ServiceKind, Service> = {
  lift: "lift",
  liftTint: "lift and tint",
  lashTint: "tint",
  browTint: "brow tint",
  lashBrowTint: "lash and brow tint",
  lamination: "brow lamination",
  lightening: "brow lightening",
  removal: "removal",
};

/** An agreed time. What happened at it stands in its events. */
export const visit = studioSchema.table(
  "visit",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    technicianId: uuid().notNull(),
    roomId: uuid().notNull(),
    chair: integer().notNull(),
    service: text({ enum: SERVICES }).notNull(),
    startsAt: timestamp({ withTimezone: true }).notNull(),
    minutes: integer().notNull(),
    /** The map worn, and which save of it; null until one is chosen. */
    mapId: uuid(),
    mapRevision: integer(),
    /** Why it goes ahead in spite of what was to be asked first (a patch test, a condition), in the technician's words; empty when nothing was. */
    patchReason: text().notNull().default(""),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.startsAt),
    index().on(t.studioId, t.clientId, t.startsAt),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
    foreignKey({ columns: [t.studioId, t.roomId], foreignColumns: [room.studioId, room.id] }),
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
