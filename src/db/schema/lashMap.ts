import { foreignKey, index, integer, jsonb, primaryKey, uuid } from "drizzle-orm/pg-core";
import type { LashMap } from "@/core/map";
import { client } from "./client";
import { createdAt, studioId, studioSchema } from "./studio";
import { survey } from "./survey";

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
    document: jsonb().$type<LashMap>().notNull(),
    savedBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.mapId, t.revision] }),
    foreignKey({ columns: [t.studioId, t.mapId], foreignColumns: [lashMap.studioId, lashMap.id] }),
  ],
);
