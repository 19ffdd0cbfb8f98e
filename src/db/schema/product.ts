import { integer, primaryKey, uuid } from "drizzle-orm/pg-core";
import { productDocument } from "@/core/mixing";
import { documentOf } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";

/** A lotion, tint, developer or lightener as its leaflet describes it. */
export const product = studioSchema.table(
  "product",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    document: documentOf(productDocument)().notNull(),
    revision: integer().notNull().default(1),
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);
