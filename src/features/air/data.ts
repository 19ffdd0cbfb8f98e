import "server-only";
import { asc, eq, isNull } from "drizzle-orm";
import { usualRoomTraits, type RoomTraits, type RoomWithAir } from "@/core/air";
import { policy, room } from "@/db/schema";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { openBottles } from "@/features/shelf/bottles";
import { glueKnowledge } from "@/features/shelf/knowledge";
import { airByMinute, driftsOf, faultsOf, historyOf, outlookOf } from "./history";
import { airOf, sensorsNow } from "@/features/readings/newestAir";

/** Every room of the studio with its newest air. */
export function roomsWithAir(me: Member): Promise<RoomWithAir[]> {
  return inStudio(me, async (tx) => {
    const rooms = await tx
      .select({ id: room.id, name: room.name, volumeM3: room.volumeM3 })
      .from(room)
      .where(isNull(room.closedAt))
      .orderBy(asc(room.createdAt), asc(room.name));
    const sensors = await sensorsNow(tx);
    return rooms.map((row) => ({
      ...row,
      air: airOf(
        sensors.filter(({ roomId }) => roomId === row.id),
        Date.now(),
      ),
    }));
  });
}

/** A room with what it does to its air; the usual figures until its studio has said. */
export async function roomOf(tx: StudioTransaction, roomId: string) {
  const [found] = await tx.select().from(room).where(eq(room.id, roomId));
  if (!found) return null;
  const traits: RoomTraits = found.traits ?? usualRoomTraits;
  return { id: found.id, name: found.name, volumeM3: found.volumeM3, traits, traitsTold: found.traits !== null, revision: found.revision };
}
export type RoomWithTraits = NonNullable<Awaited<ReturnType<typeof roomOf>>>;

const TRAIL_POINTS = 240;
const FAULTS_BACK_MS = 24 * 3_600_000;

/** The air workspace of a room: newest air, the day's trail, its hygrometers and what they show of themselves, bottles, the hours ahead. */
export function airPage(me: Member, roomId: string, since: Date, now: Date) {
  return inStudio(me, async (tx) => {
    const found = await roomOf(tx, roomId);
    if (!found) return null;
    const sensors = await sensorsNow(tx, roomId);
    const air = airOf(sensors, now.getTime());
    const trail = await airByMinute(tx, sensors, since, now);
    const [held] = await tx.select().from(policy);
    const every = Math.max(1, Math.ceil(trail.length / TRAIL_POINTS));
    return {
      room: found,
      sensors: sensors.map(({ id, name, kind, clockOffS, last, calibrations }) => ({ id, name, kind, clockOffS, last, calibrations })),
      air,
      trail: trail.filter((_, i) => i % every === 0 || i === trail.length - 1),
      faults: await faultsOf(tx, sensors, new Date(now.getTime() - FAULTS_BACK_MS), now),
      drifts: await driftsOf(tx, sensors, now),
      ahead: await outlookOf(tx, sensors, air, me.timeZone, now),
      bottles: await openBottles(tx),
      knowledge: await glueKnowledge(tx, me.id),
      policy: held!.document,
    };
  });
}
export type AirPage = NonNullable<Awaited<ReturnType<typeof airPage>>>;

/** A day or a week of a room's readings, sensor by sensor. */
export function roomHistory(me: Member, roomId: string, from: Date, to: Date) {
  return inStudio(me, async (tx) => historyOf(tx, await sensorsNow(tx, roomId), from, to));
}
