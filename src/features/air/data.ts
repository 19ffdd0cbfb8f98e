import "server-only";
import { and, asc, eq, gte } from "drizzle-orm";
import { policy, reading, room } from "@/db/schema";
import { inStudio } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { openBottles } from "@/features/visit/data";
import { newestAir, type RoomAir } from "./newestAir";

export type { RoomAir };

export type RoomWithAir = { readonly id: string; readonly name: string; readonly volumeM3: number; readonly air: RoomAir | null };

/** Every room of the studio with its newest air. */
export function roomsWithAir(me: Member): Promise<RoomWithAir[]> {
  return inStudio(me, async (tx) => {
    const rooms = await tx
      .select({ id: room.id, name: room.name, volumeM3: room.volumeM3 })
      .from(room)
      .orderBy(asc(room.createdAt), asc(room.name));
    return Promise.all(rooms.map(async (row) => ({ ...row, air: await newestAir(tx, row.id) })));
  });
}

/** The air workspace of a room: newest air, the day's trail, open bottles, policy. */
export function airPage(me: Member, roomId: string, since: Date) {
  return inStudio(me, async (tx) => {
    const [found] = await tx.select().from(room).where(eq(room.id, roomId));
    if (!found) return null;
    const trail = await tx
      .select({ temperatureC: reading.temperatureC, relativeHumidity: reading.relativeHumidity, takenAt: reading.takenAt })
      .from(reading)
      .where(and(eq(reading.roomId, roomId), gte(reading.takenAt, since)))
      .orderBy(asc(reading.takenAt));
    const [held] = await tx.select().from(policy);
    const every = Math.max(1, Math.ceil(trail.length / 200));
    return {
      room: { id: found.id, name: found.name, volumeM3: found.volumeM3 },
      air: await newestAir(tx, roomId),
      trail: trail
        .filter((_, i) => i % every === 0 || i === trail.length - 1)
        .map((row) => ({ ...row, takenAt: row.takenAt.toISOString() })),
      bottles: await openBottles(tx),
      policy: held!.document,
    };
  });
}
