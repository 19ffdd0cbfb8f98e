import { primaryKey, text, timestamp, uuid } from "drizzle-orm/pg-core";
import { HAND_LEVELS } from "@/core/placing";
import { createdAt, studioId, studioSchema } from "./studio";

export const ROLES = ["owner", "technician", "trainee"] as const;
export type Role = (typeof ROLES)[number];

export const member = studioSchema.table(
  "member",
  {
    studioId: studioId(),
    /** The same id as in auth.user. */
    id: uuid().notNull(),
    name: text().notNull(),
    role: text({ enum: ROLES }).notNull(),
    /** What they said of their own hand; null where they said nothing. Until their pace is learned, times follow it. */
    hand: text({ enum: HAND_LEVELS }),
    createdAt: createdAt(),
    /** Since when they do not work here any more; null while they do. What they did stays. */
    deactivatedAt: timestamp({ withTimezone: true }),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.id] })],
);
