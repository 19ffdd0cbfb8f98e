import { sql } from "drizzle-orm";
import {
  doublePrecision,
  foreignKey,
  index,
  integer,
  primaryKey,
  real,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import { roomTraitsDocument } from "@/core/air";
import { documentOf } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";

export const room = studioSchema.table(
  "room",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    name: text().notNull(),
    volumeM3: doublePrecision("volume_m3").notNull(),
    /** Air change, machines, altitude, glass, outside; null until the studio has said. */
    traits: documentOf(roomTraitsDocument)(),
    /** Counts up with every change; a change must name the one it was made from. */
    revision: integer().notNull().default(1),
    /** Closed to new bookings; null while it is used. */
    closedAt: timestamp({ withTimezone: true }),
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

/** A chair of a room, at which one client lies at a time. */
export const chair = studioSchema.table(
  "chair",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    roomId: uuid().notNull(),
    name: text().notNull(),
    closedAt: timestamp({ withTimezone: true }),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    // A visit names room and chair together: the chair is in that room.
    unique("chair_in_room").on(t.studioId, t.roomId, t.id),
    foreignKey({ columns: [t.studioId, t.roomId], foreignColumns: [room.studioId, room.id] }),
  ],
);

/** Where readings of a room come from: a hygrometer, a person, or a file taken in. */
export const SENSOR_KINDS = ["device", "hand", "file"] as const;
export type SensorKind = (typeof SENSOR_KINDS)[number];

/** A source of readings and where it stands: sensor air is not lash air. */
export const sensor = studioSchema.table(
  "sensor",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    roomId: uuid().notNull(),
    name: text().notNull(),
    kind: text({ enum: SENSOR_KINDS }).notNull().default("device"),
    /** How far its clock was off when it was last heard, s; its readings were put right by as much. */
    clockOffS: integer().notNull().default(0),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    // A room has one hand and one pile of files.
    uniqueIndex("sensor_one_hand")
      .on(t.studioId, t.roomId, t.kind)
      .where(sql`kind <> 'device'`),
    foreignKey({ columns: [t.studioId, t.roomId], foreignColumns: [room.studioId, room.id] }),
  ],
);

/** What a source said at a moment; a reading that counts and one that is kept aside alike. */
const asRead = () => ({
  sensorId: uuid().notNull(),
  takenAt: timestamp({ withTimezone: true, precision: 3 }).notNull(),
  /** Where the source stood then. */
  roomId: uuid().notNull(),
  temperatureC: doublePrecision("temperature_c").notNull(),
  /** A fraction, 0..1. */
  relativeHumidity: doublePrecision().notNull(),
  /** The file it came in by; null for every other reading. */
  importId: uuid(),
});

/** One look at the air as it was read: never changed, never corrected in place. Known by its source and time. */
export const reading = studioSchema.table(
  "reading",
  {
    studioId: studioId(),
    ...asRead(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.sensorId, t.takenAt] }),
    index()
      .on(t.studioId, t.importId)
      .where(sql`import_id is not null`),
  ],
);

/** A logger's file that was taken in. */
export const readingImport = studioSchema.table(
  "reading_import",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    roomId: uuid().notNull(),
    sensorId: uuid().notNull(),
    fileName: text().notNull(),
    /** How many readings of it were new. */
    readings: integer().notNull(),
    byId: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

/** Readings that were taken back: a whole file, or a source's between two times. They are kept aside and can be brought back. */
export const readingsTakenBack = studioSchema.table(
  "readings_taken_back",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    roomId: uuid().notNull(),
    sensorId: uuid().notNull(),
    /** The file they came in by; null where a source's were taken back by time. */
    importId: uuid(),
    fromAt: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    toAt: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    why: text().notNull(),
    readings: integer().notNull(),
    byId: uuid().notNull(),
    createdAt: createdAt(),
    /** When they were brought back; null while they are aside. */
    broughtBackAt: timestamp({ withTimezone: true }),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

/** A reading that is kept aside, as it was. */
export const readingAside = studioSchema.table(
  "reading_aside",
  {
    studioId: studioId(),
    takenBackId: uuid().notNull(),
    ...asRead(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.takenBackId, t.takenAt] })],
);

const rollUp = () => ({
  studioId: studioId(),
  sensorId: uuid().notNull(),
  /** Beginning of the minute or hour. */
  at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
  roomId: uuid().notNull(),
  readings: integer().notNull(),
  temperatureC: real("temperature_c").notNull(),
  temperatureLowC: real("temperature_low_c").notNull(),
  temperatureHighC: real("temperature_high_c").notNull(),
  relativeHumidity: real().notNull(),
  humidityLow: real().notNull(),
  humidityHigh: real().notNull(),
});

/** Readings by minute and by hour: mean, lowest and highest as read. Made from them by a job, and made anew when more come. */
export const readingMinute = studioSchema.table("reading_minute", rollUp(), (t) => [
  primaryKey({ columns: [t.studioId, t.sensorId, t.at] }),
]);
export const readingHour = studioSchema.table("reading_hour", rollUp(), (t) => [primaryKey({ columns: [t.studioId, t.sensorId, t.at] })]);

export const CALIBRATIONS = ["salt", "typed"] as const;
/** What to add to a sensor's figures from a moment on. */
export const calibration = studioSchema.table(
  "calibration",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    sensorId: uuid().notNull(),
    fromAt: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    humidityOffset: doublePrecision().notNull(),
    temperatureOffsetC: doublePrecision("temperature_offset_c").notNull(),
    how: text({ enum: CALIBRATIONS }).notNull(),
    setBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.sensorId, t.fromAt),
    foreignKey({ columns: [t.studioId, t.sensorId], foreignColumns: [sensor.studioId, sensor.id] }),
  ],
);
