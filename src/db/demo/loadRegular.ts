import { standardNormal } from "@/core/units";
import * as schema from "../schema";
import { demoId, isoDate, studioId, wallClock, type Tx } from "./ids";
import { BOTTLE_EVERY_DAYS, drawnFor, LONG_AGO_DAYS, pastAir, TRUTH, type Regular } from "./lasting";
import { countsOf, type PastVisit, type Said } from "./loadClient";
import { loadPerson, placeOf } from "./loadPerson";

/** Bottles of Slackwater of two years, each emptied as the next was opened. */
const oldBottles = () =>
  Array.from({ length: Math.floor(LONG_AGO_DAYS / BOTTLE_EVERY_DAYS) }, (_, i) => {
    const openedDaysAgo = LONG_AGO_DAYS - i * BOTTLE_EVERY_DAYS;
    return {
      number: `SW 1${String(10 + i * 7).padStart(3, "0")}`,
      openedDaysAgo,
      emptiedDaysAgo: Math.max(66, openedDaysAgo - BOTTLE_EVERY_DAYS),
    };
  }).filter(({ openedDaysAgo }) => openedDaysAgo > 66);

export async function loadOldBottles(tx: Tx, today: string) {
  await tx.insert(schema.lot).values(
    oldBottles().map(({ number, openedDaysAgo, emptiedDaysAgo }) => ({
      studioId,
      id: demoId(number),
      adhesiveId: demoId("slackwater"),
      number,
      openedOn: isoDate(today, openedDaysAgo),
      emptiedOn: isoDate(today, emptiedDaysAgo),
    })),
  );
}

/** Somebody who has come for up to two years: a set and its fills, each counted as its truth has it, and what was told. */
export async function loadRegular(tx: Tx, today: string, person: Regular) {
  const map = await loadPerson(tx, today, person);
  const draw = drawnFor(person.key);
  const found = { map, survey: person.survey, clientLog: TRUTH.clientSd * standardNormal(draw) };
  const visits: (typeof schema.visit.$inferInsert)[] = [];
  const events: (typeof schema.visitEvent.$inferInsert)[] = [];
  const memberId = demoId(person.technician);
  const room =
    person.technician === "maren"
      ? { roomId: demoId("front"), chairId: demoId("chair 2") }
      : { roomId: demoId("front"), chairId: demoId("chair 1") };
  let before: PastVisit | null = null;
  for (let daysAgo = person.firstDaysAgo; daysAgo >= 9; daysAgo -= person.everyDays + Math.floor(draw() * 5) - 2) {
    const key = `${person.key} ${isoDate(today, daysAgo)}`;
    const visitId = demoId(`visit ${key}`);
    const start = wallClock(today, daysAgo, 10 + (placeOf(person) % 6));
    const yearShare = Number(isoDate(today, daysAgo).slice(5, 7)) / 12;
    const air = pastAir(yearShare, draw);
    const bottle = oldBottles().find((one) => one.openedDaysAgo >= daysAgo && one.emptiedDaysAgo < daysAgo);
    const [number, openedDaysAgo] = bottle ? [bottle.number, bottle.openedDaysAgo] : daysAgo > 24 ? ["SW 2208", 66] : ["SW 2311", 24];
    const bottleId = demoId(number);
    const minutes = before ? 95 : 150;
    visits.push({
      ...{ studioId, id: visitId, clientId: demoId(person.key), technicianId: memberId, ...room, service: before ? "fill" : "newSet" },
      ...{ keepsTime: false, startsAt: start, minutes, mapId: demoId(`map ${person.key}`), mapRevision: 1 },
    });
    const tells = draw() < 0.85;
    const said: Said[] = [
      { minute: 4, type: "started", payload: { bottleId, air } },
      ...(before ? countsOf(found, before, daysAgo, person.sleptOn) : []),
      ...(before && tells
        ? ([
            { of: "washesAWeek", is: person.washesAWeek },
            { of: "oil", is: person.oil },
            { of: "sleepsOn", is: person.sleptOn },
          ].map((payload) => ({ minute: 8, type: "sinceLastTold", payload })) as Said[])
        : []),
      { minute: 16, type: "workedWith", payload: { of: "primer", is: draw() < 0.5 ? "primer" : "none", batchId: null } },
      { minute: 18, type: "beadPlaced", payload: { lifeS: 900, air, bottleId } },
      ...(draw() < 0.3 ? ([{ minute: 30, type: "talkMarked", payload: { on: true } }] as Said[]) : []),
      { minute: 33, type: "beadPlaced", payload: { lifeS: 900, air, bottleId } },
      { minute: minutes - 12, type: "beadWiped", payload: {} },
      { minute: minutes - 8, type: "finishApplied", payload: { method: "fan" } },
      { minute: minutes - 3, type: "finished", payload: {} },
    ];
    said.forEach(({ minute, type, payload }, i) => {
      const at = new Date(start.getTime() + minute * 60_000 + i * 1000);
      events.push({ studioId, visitId, id: demoId(`event ${key} ${i}`), at, serverTime: at, clock: "checked", type, payload, memberId });
    });
    before = { id: visitId, daysAgo, relativeHumidity: air.relativeHumidity, bottleAgeDays: openedDaysAgo - daysAgo };
  }
  await tx.insert(schema.visit).values(visits);
  await tx.insert(schema.visitEvent).values(events);
}
