import { date, foreignKey, jsonb, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import type { Adhesive } from "@/core/adhesive";
import type { Tray } from "@/core/map";
import { createdAt, studioId, studioSchema } from "./studio";

/** An adhesive as its leaflet describes it. */
export const adhesive = studioSchema.table(
  "adhesive",
  { studioId: studioId(), id: uuid().notNull(), document: jsonb().$type<Adhesive>().notNull(), createdAt: createdAt() },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);

export const bottle = studioSchema.table(
  "bottle",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    adhesiveId: uuid().notNull(),
    lot: text().notNull(),
    openedOn: date({ mode: "string" }).notNull(),
    /** Null while in use. */
    emptiedOn: date({ mode: "string" }),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    foreignKey({ columns: [t.studioId, t.adhesiveId], foreignColumns: [adhesive.studioId, adhesive.id] }),
  ],
);

/** A tray of extensions and the lengths still in it. */
export const tray = studioSchema.table(
  "tray",
  { studioId: studioId(), id: uuid().notNull(), document: jsonb().$type<Tray>().notNull(), createdAt: createdAt() },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);
