import "server-only";
import { asc, isNull } from "drizzle-orm";
import { room } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

/** Rooms that are worked in, the studio's first one first. */
export const openRooms = (tx: StudioTransaction) =>
  tx
    .select({ id: room.id, name: room.name, volumeM3: room.volumeM3 })
    .from(room)
    .where(isNull(room.closedAt))
    .orderBy(asc(room.createdAt), asc(room.name));
