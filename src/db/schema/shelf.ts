import { boolean, doublePrecision, foreignKey, index, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { TECHNIQUES } from "@/core/lash";
import { trayDocument } from "@/core/map";
import { documentOf } from "./document";
import { lot } from "./lot";
import { createdAt, studioId, studioSchema } from "./studio";

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
    foreignKey({ columns: [t.studioId, t.bottleId], foreignColumns: [lot.studioId, lot.id] }),
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
