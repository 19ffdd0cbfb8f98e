import { primaryKey, uuid } from "drizzle-orm/pg-core";
import { ownLookDocument } from "@/core/map";
import { documentOf } from "./document";
import { createdAt, studioId, studioSchema } from "./studio";

/** A look the studio bent and kept as its own. */
export const ownLook = studioSchema.table(
  "own_look",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    document: documentOf(ownLookDocument)().notNull(),
    keptBy: uuid().notNull(),
    createdAt: createdAt(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);
