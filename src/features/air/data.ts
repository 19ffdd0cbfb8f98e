import "server-only";
import { inArray } from "drizzle-orm";
import { usualRoomTraits, type RoomWithAir } from "@/core/air";
import { room } from "@/db/schema";
import { inStudio, together, type StudioTransaction } from "@/server/inStudio";
import type { Member } from "@/server/member";
import { openBottles } from "@/features/shelf/bottles";
import { glueKnowledge } from "@/features/shelf/knowledge";
import { airByMinute, driftsOf, faultsOf, historyOf, outlookOf } from "./history";
import { airOf, sensorsNow } from "@/features/readings/newestAir";
import { openRooms } from "@/features/readings/openRooms";
import { studioPolicy } from "@/server/studioPolicy";

/** Every room of the studio with its newest air. */
export function roomsWithAir(me: Member): Promise<RoomWithAir[]> {
  return inStudio(me, async (tx) => {
    const [rooms, sensors] = await together([openRooms(tx), sensorsNow(tx)]);
    return rooms.map((row) => ({
      ...row,
      air: airOf(
        sensors.filter(({ roomId }) => roomId === row.id),
        Date.now(),
      ),
    }));
  });
}

/** Some rooms with what each does to its air; the usual figures until its studio has said. */
export async function roomsOf(tx: StudioTransaction, roomIds: readonly string[]) {
  if (roomIds.length === 0) return [];
  const rows = await tx
    .select()
    .from(room)
    .where(inArray(room.id, [...roomIds]));
  return rows.map(({ id, name, volumeM3, traits, revision }) => ({
    id,
    name,
    volumeM3,
    traits: traits ?? usualRoomTraits,
    traitsTold: traits !== null,
    revision,
  }));
}
export type RoomWithTraits = Awaited<ReturnType<typeof roomsOf>>[number];

const TRAIL_POINTS = 240;
const FAULTS_BACK_MS = 24 * 3_600_000;

/** The air workspace of a room, the first one where none is named: newest air, the day's trail, its hygrometers and what they show of themselves, bottles, the hours ahead. */
export function airPage(me: Member, named: string | undefined, since: Date, now: Date) {
  return inStudio(me, async (tx) => {
    const rooms = await openRooms(tx);
    const roomId = named ?? rooms[0]?.id;
    if (!roomId) return null;
    const [[roomRow], sensors, bottles, knowledge, policy] = await together([
      roomsOf(tx, [roomId]),
      sensorsNow(tx, roomId),
      openBottles(tx),
      glueKnowledge(tx, me.id),
      studioPolicy(tx),
    ]);
    if (!roomRow) return null;
    const air = airOf(sensors, now.getTime());
    const [trail, faults, drifts, ahead] = await together([
      airByMinute(tx, sensors, since, now),
      faultsOf(tx, sensors, new Date(now.getTime() - FAULTS_BACK_MS), now),
      driftsOf(tx, sensors, now),
      outlookOf(tx, sensors, air, me.timeZone, now),
    ]);
    const every = Math.max(1, Math.ceil(trail.length / TRAIL_POINTS));
    return {
      rooms: rooms.map(({ id, name }) => ({ id, name })),
      room: roomRow,
      sensors: sensors.map(({ id, name, kind, clockOffS, last, calibrations }) => ({ id, name, kind, clockOffS, last, calibrations })),
      air,
      trail: trail.filter((_, i) => i % every === 0 || i === trail.length - 1),
      faults,
      drifts,
      ahead,
      bottles,
      knowledge,
      policy,
    };
  });
}
export type AirPage = NonNullable<Awaited<ReturnType<typeof airPage>>>;

/** A day or a week of a room's readings, sensor by sensor. */
export function roomHistory(me: Member, roomId: string, from: Date, to: Date) {
  return inStudio(me, async (tx) => historyOf(tx, await sensorsNow(tx, roomId), from, to));
}
