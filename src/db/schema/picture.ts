import { customType, foreignKey, index, integer, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { pictureMarksDocument } from "@/core/measure";
import { client } from "./client";
import { documentOf } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";

const bytes = customType<{ data: Buffer; driverData: Buffer }>({ dataType: () => "bytea" });

export const PICTURE_KINDS = ["open", "closed"] as const;

/** A picture of a client's eye to measure from: re-encoded, nothing of the camera or the place left in it. */
export const picture = studioSchema.table(
  "picture",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    kind: text({ enum: PICTURE_KINDS }).notNull(),
    /** Whose eye it shows: the client's right or left. */
    side: text({ enum: ["right", "left"] }).notNull(),
    widthPx: integer().notNull(),
    heightPx: integer().notNull(),
    jpeg: bytes().notNull(),
    /** What was marked on it, null until something is. */
    marks: documentOf(pictureMarksDocument)(),
    takenBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.clientId, t.createdAt),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
  ],
);
