import "server-only";
import { and, asc, eq, isNotNull, max } from "drizzle-orm";
import { chair, member, policy, reading, room, sensor } from "@/db/schema";
import { inStudio } from "@/server/inStudio";
import type { Member } from "@/server/member";

/** The studio's policy, people and devices. */
export function studioPage(me: Member) {
  return inStudio(me, async (tx) => {
    const [held] = await tx.select().from(policy);
    return {
      policy: held!.document,
      revision: held!.revision,
      people: await tx
        .select({ id: member.id, name: member.name, role: member.role })
        .from(member)
        .orderBy(asc(member.createdAt), asc(member.name)),
      rooms: await tx
        .select({ id: room.id, name: room.name, closed: isNotNull(room.closedAt).mapWith(Boolean) })
        .from(room)
        .orderBy(asc(room.createdAt), asc(room.name)),
      chairs: await tx
        .select({ id: chair.id, roomId: chair.roomId, name: chair.name, closed: isNotNull(chair.closedAt).mapWith(Boolean) })
        .from(chair)
        .orderBy(asc(chair.name)),
      sensors: await tx
        .select({ id: sensor.id, name: sensor.name, room: room.name, last: max(reading.takenAt) })
        .from(sensor)
        .innerJoin(room, and(eq(room.studioId, sensor.studioId), eq(room.id, sensor.roomId)))
        .leftJoin(reading, and(eq(reading.studioId, sensor.studioId), eq(reading.sensorId, sensor.id)))
        .groupBy(sensor.id, sensor.name, room.name)
        .orderBy(asc(sensor.name)),
    };
  });
}
export type StudioPage = Awaited<ReturnType<typeof studioPage>>;
