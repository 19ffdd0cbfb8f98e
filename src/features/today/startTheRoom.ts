import "server-only";
import { isOfNow, PEOPLE_BEFORE, type Air } from "@/core/air";
import { beadsFor, bottleAge, bottleFitness, handTime, startRoom, type RoomStart } from "@/core/adhesive";
import { techniqueOf } from "@/core/lash";
import type { LashMap } from "@/core/map";
import { airOf, sensorsNow } from "@/features/readings/newestAir";
import { roomsOf } from "@/features/air/data";
import { outlookOf } from "@/features/air/history";
import { isByProtocol } from "@/core/service";
import { modelsOf } from "@/features/shelf/ratedBottles";
import { handTimes, setTests } from "@/features/shelf/knowledge";
import { openBottles, type OpenBottle } from "@/features/shelf/bottles";
import type { VisitRow } from "@/features/visit/data";
import type { Policy } from "@/core/policy";
import { together, type StudioTransaction } from "@/server/inStudio";
import { hourIn, todayIn } from "@/server/studioTime";

/** What a visit wants of the room and the shelf, and when. */
export type RoomWish = {
  readonly visitId: string;
  readonly bottle: OpenBottle | null;
  readonly daysLeft: number | null;
  /** Drops in the bottle after the day's visits before this one, and how many this one takes; null where nobody said. */
  readonly drops: { readonly left: number; readonly wanted: number } | null;
  readonly expectedAir: Air;
  readonly needs: RoomStart["needs"];
};

/** Those of a day's visits that are still to begin and want adhesive: colour and lift want none of the room. */
const aheadOf = (visits: readonly VisitRow[]) => visits.filter(({ begunAt, service }) => begunAt === null && !isByProtocol(service));

/** What the room is started by: bottles, tests, hands, and each room's air of now and the hours ahead; rooms without air of now are left out. */
export async function roomAndShelf(tx: StudioTransaction, visits: readonly VisitRow[], timeZone: string, now: Date) {
  const ahead = aheadOf(visits);
  const roomIds = [...new Set(ahead.map(({ roomId }) => roomId))];
  const [bottles, tests, hands, rooms, sensors] = await together([
    openBottles(tx),
    setTests(tx),
    handTimes(tx, [...new Set(ahead.map(({ technicianId }) => technicianId))]),
    roomsOf(tx, roomIds),
    sensorsNow(tx, roomIds),
  ]);
  const withAir = await together(
    rooms.flatMap((room) => {
      const roomSensors = sensors.filter(({ roomId }) => roomId === room.id);
      const air = airOf(roomSensors, now.getTime());
      if (!air || !isOfNow(air, now.getTime())) return [];
      return [outlookOf(tx, roomSensors, air, timeZone, now).then((hours) => ({ room, air, hours }))];
    }),
  );
  return { bottles, tests, hands, rooms: withAir };
}
export type RoomAndShelf = Awaited<ReturnType<typeof roomAndShelf>>;

/** For the day's visits that are still to begin: which bottle each wants, and when to switch what on. */
export function startTheRoom(
  { bottles, tests, hands, rooms }: RoomAndShelf,
  visits: readonly VisitRow[],
  maps: ReadonlyMap<string, LashMap>,
  policy: Policy,
  timeZone: string,
  now: Date,
): Map<string, RoomWish> {
  const ahead = aheadOf(visits);
  const models = modelsOf(bottles, { tests });
  const today = todayIn(timeZone, now);
  const nowHour = hourIn(timeZone, now);

  const starts: RoomStart[] = [];
  for (const { room, air, hours } of rooms) {
    const roomVisits = new Map(ahead.filter(({ roomId }) => roomId === room.id).map((visit) => [visit.id, visit]));
    const fitnessIn = (bottle: OpenBottle, then: Air, visitId: string) => {
      const { clientId, technicianId, map: agreed } = roomVisits.get(visitId)!;
      const map = agreed ?? maps.get(clientId) ?? null;
      const hand = hands.get(technicianId)!;
      const model = models.get(bottle.adhesiveId)!;
      const age = bottleAge(bottle.openedOn, today, bottle.adhesive.lifeAfterOpeningDays);
      return bottleFitness(bottle, model, age, then, room.volumeM3, handTime(hand[map ? techniqueOf(map.fibre) : "single"]));
    };
    const chairs = [...roomVisits.values()].map(({ id, startsAt }) => ({ id, startHour: hourIn(timeZone, startsAt) }));
    const plain = { temperatureC: air.temperatureC, relativeHumidity: air.relativeHumidity };
    starts.push(...startRoom(chairs, hours, plain, nowHour, room, bottles, fitnessIn, PEOPLE_BEFORE));
  }

  // Visits come in order of time: each finds the bottle as those before it leave it, in whatever room.
  const wishes = new Map<string, RoomWish>();
  const used = new Map<string, number>();
  for (const { id, minutes } of ahead) {
    const start = starts.find(({ visitId }) => visitId === id);
    if (!start) continue;
    const bottle = bottles.find((one) => one.id === start.bottleId) ?? null;
    const wanted = beadsFor(minutes, policy.beadMinutes, start.needs?.target ?? start.expectedAir);
    const before = bottle ? (used.get(bottle.id) ?? 0) : 0;
    if (bottle) used.set(bottle.id, before + wanted);
    wishes.set(id, {
      visitId: id,
      bottle,
      daysLeft: bottle ? bottleAge(bottle.openedOn, today, bottle.adhesive.lifeAfterOpeningDays).daysLeft : null,
      drops: bottle?.adhesive.dropsIn ? { left: Math.max(0, bottle.adhesive.dropsIn - bottle.beads - before), wanted } : null,
      expectedAir: start.expectedAir,
      needs: start.needs,
    });
  }
  return wishes;
}
