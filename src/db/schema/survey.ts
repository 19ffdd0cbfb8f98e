import { foreignKey, index, primaryKey, uuid } from "drizzle-orm/pg-core";
import { surveyDocument } from "@/core/eye";
import { client } from "./client";
import { documentOf } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";

/** Natural lashes as found on a day. A new look is a new row: surveys are compared, never overwritten. */
export const survey = studioSchema.table(
  "survey",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    clientId: uuid().notNull(),
    document: documentOf(surveyDocument)().notNull(),
    takenBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.clientId, t.createdAt),
    foreignKey({ columns: [t.studioId, t.clientId], foreignColumns: [client.studioId, client.id] }),
  ],
);
