import { foreignKey, index, integer, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { lashMapDocument } from "@/core/map";
import { client } from "./client";
import { documentOf } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";
import { survey } from "./survey";

const mapDocument = documentOf(lashMapDocument);

/** A client's map; what it says stands in its revisions. */
export const lashMap = studioSchema.table(
  "lash_map",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    /** The survey it is planned for. */
    surveyId: uuid().notNull(),
    /** Number of its newest revision. */
    head: integer().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.clientId),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
    foreignKey({ columns: [t.studioId, t.surveyId], foreignColumns: [survey.studioId, survey.id] }),
  ],
);

/** Every save of a map, kept. */
export const lashMapRevision = studioSchema.table(
  "lash_map_revision",
  {
    studioId: studioId(),
    mapId: uuid().notNull(),
    revision: integer().notNull(),
    document: mapDocument().notNull(),
    savedBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.mapId, t.revision] }),
    foreignKey({ columns: [t.studioId, t.mapId], foreignColumns: [lashMap.studioId, lashMap.id] }),
  ],
);

/** A map kept to begin others from, shared by the studio. No client's name and no survey go with it. */
export const mapTemplate = studioSchema.table(
  "map_template",
  { studioId: studioId(), id: uuid().notNull(), document: mapDocument().notNull(), keptBy: uuid().notNull(), createdAt: createdAt() },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

export const MAP_NOTE_KINDS = ["note", "approved", "sentBack"] as const;

/** What was said of a save of a map: an instructor's note, an approval. Never changed. */
export const mapNote = studioSchema.table(
  "map_note",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    mapId: uuid().notNull(),
    revision: integer().notNull(),
    kind: text({ enum: MAP_NOTE_KINDS }).notNull(),
    words: text().notNull(),
    writtenBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.mapId, t.createdAt),
    foreignKey({
      columns: [t.studioId, t.mapId, t.revision],
      foreignColumns: [lashMapRevision.studioId, lashMapRevision.mapId, lashMapRevision.revision],
    }),
  ],
);
