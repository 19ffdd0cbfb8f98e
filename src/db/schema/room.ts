import { doublePrecision, foreignKey, index, primaryKey, text, timestamp, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { createdAt, studioId, studioSchema } from "./studio";

export const room = studioSchema.table(
  "room",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    name: text().notNull(),
    volumeM3: doublePrecision("volume_m3").notNull(),
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

/** A hygrometer and where it stands: sensor air is not lash air. */
export const sensor = studioSchema.table(
  "sensor",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    roomId: uuid().notNull(),
    name: text().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    foreignKey({ columns: [t.studioId, t.roomId], foreignColumns: [room.studioId, room.id] }),
  ],
);

/** One look at the air, from a hygrometer or typed by hand. */
export const reading = studioSchema.table(
  "reading",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    roomId: uuid().notNull(),
    /** Null for a reading typed by hand. */
    sensorId: uuid(),
    takenAt: timestamp({ withTimezone: true }).notNull(),
    temperatureC: doublePrecision("temperature_c").notNull(),
    /** A fraction, 0..1. */
    relativeHumidity: doublePrecision().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.roomId, t.takenAt),
    uniqueIndex().on(t.studioId, t.sensorId, t.takenAt),
    foreignKey({ columns: [t.studioId, t.roomId], foreignColumns: [room.studioId, room.id] }),
  ],
);
