import { integer, primaryKey, uuid } from "drizzle-orm/pg-core";
import { adhesiveDocument } from "@/core/adhesive";
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
