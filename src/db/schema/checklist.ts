import { integer, primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { checklistDocument } from "@/core/checklist/schema";
import { SERVICE_IDS } from "@/core/service";
import { documentOf } from "./document";
import { studioId, studioSchema } from "./studio";

/** The studio's own steps of a service, save by save: a visit keeps to the one that stood when it was begun. Never changed. */
export const checklist = studioSchema.table(
  "checklist",
  {
    studioId: studioId(),
    service: text({ enum: SERVICE_IDS }).notNull(),
    revision: integer().notNull(),
    document: documentOf(checklistDocument)().notNull(),
    savedBy: uuid().notNull(),
    savedAt: timestamp({ withTimezone: true, precision: 3 }).notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.service, t.revision] })],
);
