import "server-only";
import { asc, isNotNull } from "drizzle-orm";
import { chair, policy, room } from "@/db/schema";
import { sensorsNow } from "@/features/readings/newestAir";
import { inStudio, together } from "@/server/inStudio";
import type { Member } from "@/server/member";

/** The studio's policy, rooms and devices. */
export function studioPage(me: Member) {
  return inStudio(me, async (tx) => {
    const [[policyRow], rooms, chairs, sensors] = await together([
      tx.select().from(policy),
      tx
        .select({ id: room.id, name: room.name, closed: isNotNull(room.closedAt).mapWith(Boolean) })
        .from(room)
        .orderBy(asc(room.createdAt), asc(room.name)),
      tx
        .select({ id: chair.id, roomId: chair.roomId, name: chair.name, closed: isNotNull(chair.closedAt).mapWith(Boolean) })
        .from(chair)
        .orderBy(asc(chair.name)),
      sensorsNow(tx),
    ]);
    const roomNames = new Map(rooms.map(({ id, name }) => [id, name]));
    return {
      policy: policyRow!.document,
      revision: policyRow!.revision,
      rooms,
      chairs,
      sensors: sensors
        .map(({ id, name, roomId, last }) => ({ id, name, room: roomNames.get(roomId)!, last: last && new Date(last.takenAtMs) }))
        .sort((a, b) => a.name.localeCompare(b.name)),
    };
  });
}
export type StudioPage = Awaited<ReturnType<typeof studioPage>>;
