import { boolean, date, doublePrecision, foreignKey, index, integer, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { adhesiveDocument } from "@/core/adhesive";
import { TECHNIQUES } from "@/core/lash";
import { trayDocument } from "@/core/map";
import { documentOf } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";

/** An adhesive as its leaflet describes it. */
export const adhesive = studioSchema.table(
  "adhesive",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    document: documentOf(adhesiveDocument)().notNull(),
    revision: integer().notNull().default(1),
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

export const bottle = studioSchema.table(
  "bottle",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    adhesiveId: uuid().notNull(),
    lot: text().notNull(),
    openedOn: date({ mode: "string" }).notNull(),
    /** Its last good day as printed on it; null where nobody noted it. */
    expiresOn: date({ mode: "string" }),
    /** Null while in use. */
    emptiedOn: date({ mode: "string" }),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    foreignKey({ columns: [t.studioId, t.adhesiveId], foreignColumns: [adhesive.studioId, adhesive.id] }),
  ],
);

/** A tray of extensions and the lengths still in it. */
export const tray = studioSchema.table(
  "tray",
  { studioId: studioId(), id: uuid().notNull(), document: documentOf(trayDocument)().notNull(), createdAt: createdAt() },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

/** A bead or a lash timed until it set. Never changed, but a doubtful one may be left out of what is learned. */
export const setTest = studioSchema.table(
  "set_test",
  {
    studioId: studioId(),
    /** Made by the device that timed it; the same as its event's where it was timed at a visit. */
    id: uuid().notNull(),
    bottleId: uuid().notNull(),
    at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    seconds: doublePrecision().notNull(),
    temperatureC: doublePrecision("temperature_c").notNull(),
    relativeHumidity: doublePrecision().notNull(),
    memberId: uuid().notNull(),
    leftOut: boolean().notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.bottleId),
    foreignKey({ columns: [t.studioId, t.bottleId], foreignColumns: [bottle.studioId, bottle.id] }),
  ],
);

/** Seconds from the dip until an extension sits, by one hand. */
export const handTime = studioSchema.table(
  "hand_time",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    memberId: uuid().notNull(),
    technique: text({ enum: TECHNIQUES }).notNull(),
    seconds: doublePrecision().notNull(),
    at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] }), index().on(t.studioId, t.memberId, t.technique, t.at)],
);
