import { sql } from "drizzle-orm";
import { check, date, foreignKey, index, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { adhesive } from "./adhesive";
import { product } from "./product";
import { createdAt, studioId, studioSchema } from "./studio";

/**
 * A bottle, tube or pack, by the lot that stands on it: of an adhesive or of a product that is mixed or put on. Their leaflets
 * say other things and stand apart; what is opened, past its life, emptied and traced is one.
 */
export const lot = studioSchema.table(
  "lot",
  {
    studioId: studioId(),
    id: uuid().notNull(),
    adhesiveId: uuid(),
    productId: uuid(),
    /** As it stands on it. */
    number: text().notNull(),
    openedOn: date({ mode: "string" }).notNull(),
    /** Its last good day as printed on it; null where nobody noted it. */
    expiresOn: date({ mode: "string" }),
    /** Null while in use. */
    emptiedOn: date({ mode: "string" }),
    createdAt: createdAt(),
  },
  (t) => [
    primaryKey({ columns: [t.studioId, t.id] }),
    index().on(t.studioId, t.adhesiveId),
    index().on(t.studioId, t.productId),
    foreignKey({ columns: [t.studioId, t.adhesiveId], foreignColumns: [adhesive.studioId, adhesive.id] }),
    foreignKey({ columns: [t.studioId, t.productId], foreignColumns: [product.studioId, product.id] }),
    check("lot_of_one", sql`num_nonnulls(${t.adhesiveId}, ${t.productId}) = 1`),
  ],
);
