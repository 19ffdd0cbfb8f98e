import { integer, timestamp, uuid } from "drizzle-orm/pg-core";
import { policyDocument } from "@/core/policy";
import { documentOf } from "./document";
import { studioId, studioSchema } from "./studio";

export const policy = studioSchema.table("policy", {
  studioId: studioId().primaryKey(),
  document: documentOf(policyDocument)().notNull(),
  /** Counts up with every save; a save must name the one it was made from. */
  revision: integer().notNull().default(1),
  updatedAt: timestamp({ withTimezone: true }).notNull().defaultNow(),
  updatedBy: uuid(),
});
