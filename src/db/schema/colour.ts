import { boolean, date, foreignKey, index, integer, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { consultationDocument } from "@/core/care";
import { SERVICE_IDS } from "@/core/service";
import { shieldDocument } from "@/core/lift";
import { protocolDocument } from "@/core/protocol";
import { client } from "./client";
import { documentOf } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";
import { visit } from "./visit";

/** Shields and rods in stock, each with the radius somebody measured. */
export const shield = studioSchema.table(
  "shield",
  { studioId: studioId(), id: uuid().notNull(), document: documentOf(shieldDocument)().notNull(), createdAt: createdAt() },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

/** The studio's own ways of working. A run keeps the one it was begun by whole, so that a change here changes no run. */
export const protocol = studioSchema.table(
  "protocol",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    document: documentOf(protocolDocument)().notNull(),
    /** Counts up with every save; a save must name the one it was made from. */
    revision: integer().notNull().default(1),
    putAway: boolean().notNull().default(false),
    savedBy: uuid().notNull(),
    savedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

/** What a client answered at a consultation. Never changed; the newest counts. */
export const consultation = studioSchema.table(
  "consultation",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    document: documentOf(consultationDocument)().notNull(),
    /** For which service it was asked; null for those of before that was noted. */
    service: text({ enum: SERVICE_IDS }),
    /** The consultation it confirms with nothing changed; null where it was asked whole. */
    confirms: uuid(),
    visitId: uuid(),
    givenBy: text({ enum: ["client", "technician"] })
      .notNull()
      .default("technician"),
    askedBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.clientId, t.createdAt),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
  ],
);

/** A text that a client signed, as they read it. Never changed. */
export const consent = studioSchema.table(
  "consent",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    service: text({ enum: SERVICE_IDS }).notNull(),
    words: text().notNull(),
    /** The name as it was signed, and the hand's line as an SVG path on a field of 300 by 90. */
    signedName: text().notNull(),
    signature: text().notNull(),
    signedOn: date({ mode: "string" }).notNull(),
    signedBy: text({ enum: ["client", "guardian"] })
      .notNull()
      .default("client"),
    takenBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.clientId, t.service, t.createdAt),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
  ],
);

/** What was written down when a run was stopped. Never changed; more may be added. */
export const incident = studioSchema.table(
  "incident",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    visitId: uuid().notNull(),
    words: text().notNull(),
    /** Nothing was written yet: somebody put it off, in their name. */
    putOff: boolean().notNull().default(false),
    writtenBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.visitId),
    foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visit.studioId, visit.id] }),
  ],
);
