import "server-only";
import { isOfNow, PEOPLE_BEFORE, type Air } from "@/core/air";
import { beadsFor, bottleAge, bottleFitness, handTime, startRoom, type RoomStart } from "@/core/adhesive";
import { techniqueOf } from "@/core/lash";
import type { LashMap } from "@/core/map";
import { policy } from "@/db/schema";
import { airOf, sensorsNow } from "@/features/readings/newestAir";
import { roomOf } from "@/features/air/data";
import { hourIn, outlookOf } from "@/features/air/history";
import { isByProtocol } from "@/core/service";
import { modelsOf } from "@/features/shelf/judged";
import { glueKnowledge, type GlueKnowledge } from "@/features/shelf/knowledge";
import { openBottles, type OpenBottle } from "@/features/shelf/bottles";
import type { VisitRow } from "@/features/visit/data";
import type { StudioTransaction } from "@/server/inStudio";
import { todayIn } from "@/server/studioTime";

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

/** For the day's visits that are still to begin: which bottle each wants, and when to switch what on. */
export async function startTheRoom(
  tx: StudioTransaction,
  visits: readonly VisitRow[],
  maps: ReadonlyMap<string, LashMap>,
  timeZone: string,
  now: Date,
): Promise<Map<string, RoomWish>> {
  // Colour and lift want no adhesive of the room.
  const ahead = visits.filter(({ begunAt, service }) => begunAt === null && !isByProtocol(service));
  const bottles = await openBottles(tx);
  const [held] = await tx.select().from(policy);
  const knownBy = new Map<string, GlueKnowledge>();
  for (const { technicianId } of ahead) if (!knownBy.has(technicianId)) knownBy.set(technicianId, await glueKnowledge(tx, technicianId));
  // Set tests are the studio's, whoever asks; only the hand differs.
  const models = modelsOf(bottles, { tests: [...knownBy.values()][0]?.tests ?? [] });
  const today = todayIn(timeZone, now);
  const nowHour = hourIn(timeZone, now);

  const starts: RoomStart[] = [];
  for (const roomId of new Set(ahead.map((visit) => visit.roomId))) {
    const room = await roomOf(tx, roomId);
    const sensors = await sensorsNow(tx, roomId);
    const air = airOf(sensors, now.getTime());
    if (!room || !air || !isOfNow(air, now.getTime())) continue;
    const hours = await outlookOf(tx, sensors, air, timeZone, now);
    const here = new Map(ahead.filter((visit) => visit.roomId === roomId).map((visit) => [visit.id, visit]));
    const fitnessIn = (bottle: OpenBottle, then: Air, visitId: string) => {
      const { clientId, technicianId, map: agreed } = here.get(visitId)!;
      const map = agreed ?? maps.get(clientId) ?? null;
      const { hand } = knownBy.get(technicianId)!;
      const model = models.get(bottle.adhesiveId)!;
      const age = bottleAge(bottle.openedOn, today, bottle.adhesive.lifeAfterOpeningDays);
      return bottleFitness(bottle, model, age, then, room.volumeM3, handTime(hand[map ? techniqueOf(map.fibre) : "single"]));
    };
    const chairs = [...here.values()].map(({ id, startsAt }) => ({ id, startHour: hourIn(timeZone, startsAt) }));
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
    const wanted = beadsFor(minutes, held!.document.beadMinutes, start.needs?.target ?? start.expectedAir);
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
