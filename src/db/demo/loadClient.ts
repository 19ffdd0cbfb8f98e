import { beadLifeS } from "@/core/adhesive";
import type { SleptOn } from "@/core/fill";
import type { Survey } from "@/core/eye";
import type { LashMap } from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import type { VisitEvent } from "@/core/visit";
import * as schema from "../schema";
import { CLIENTS, type DemoClient } from "./clients";
import { dayNumber, demoId, isoDate, isSunday, studioId, wallClock, type Tx } from "./ids";
import { drawnCounts, drawnFor } from "./lasting";
import { answersOf, loadPerson } from "./loadPerson";
import { ADHESIVES, airAt } from "./scenario";

/** A client of the scenario with their past visits. */
export async function loadClient(tx: Tx, today: string, person: DemoClient) {
  const map = await loadPerson(tx, today, person);
  const found = { map, survey: person.survey, clientLog: 0 };
  let before: PastVisit | null = null;
  for (let daysAgo = person.firstDaysAgo; daysAgo >= 8; daysAgo -= person.everyDays) {
    const open = isSunday(today, daysAgo) ? daysAgo + 1 : daysAgo;
    before = await loadPastVisit(tx, today, person, open, before, found);
  }
}

/** A visit that was worked, as far as the next one asks. */
export type PastVisit = {
  readonly id: string;
  readonly daysAgo: number;
  readonly relativeHumidity: number;
  readonly bottleAgeDays: number;
};
type Found = { readonly map: LashMap; readonly survey: Survey; readonly clientLog: number };
export type Said = { minute: number; type: VisitEvent["type"]; payload: VisitEvent["payload"] };

/** What a fill counts of the set before, as chance and the demo's truth have it. */
export const countsOf = (found: Found, before: PastVisit, daysAgo: number, sleptOn: SleptOn | null): Said[] =>
  drawnCounts({ ...found, setVisitId: before.id }, { ...before, days: before.daysAgo - daysAgo, sleptOn }, drawnFor(before.id)).map(
    (payload) => ({ minute: 5, type: "leftCounted", payload }),
  );

async function loadPastVisit(
  tx: Tx,
  today: string,
  person: DemoClient,
  daysAgo: number,
  before: PastVisit | null,
  found: Found,
): Promise<PastVisit> {
  const first = before === null;
  const key = `${person.key} ${isoDate(today, daysAgo)}`;
  const hour = 9 + (CLIENTS.indexOf(person) % 6);
  const minutes = first ? 150 : 105;
  const start = wallClock(today, daysAgo, hour);
  const room = person.technician === "pim" ? "back" : "front";
  const visitId = demoId(`visit ${key}`);
  await tx.insert(schema.visit).values({
    studioId,
    id: visitId,
    clientId: demoId(person.key),
    technicianId: demoId(person.technician),
    roomId: demoId(room),
    chairId: demoId(`chair ${{ maren: 2, jossa: 1, pim: 3 }[person.technician]}`),
    service: first ? "newSet" : "fill",
    keepsTime: false,
    startsAt: start,
    minutes,
    mapId: demoId(`map ${person.key}`),
    mapRevision: 1,
  });
  await tx.insert(schema.consultation).values({
    studioId,
    id: demoId(`consultation ${key}`),
    clientId: demoId(person.key),
    document: answersOf(person),
    service: first ? "newSet" : "fill",
    // Once it was asked whole, it is read out and confirmed.
    confirms: daysAgo < Math.min(person.firstDaysAgo, 35) ? demoId(`consultation ${person.key}`) : null,
    visitId,
    askedBy: demoId(person.technician),
    createdAt: start,
  });
  const air = (minute: number) => airAt(hour + minute / 60, dayNumber(today, daysAgo));
  const bottleId = demoId(air(0).relativeHumidity < 0.4 ? "DW 1184" : daysAgo > 25 ? "SW 2208" : "SW 2311");
  const done = (minute: number, ...stepIds: string[]): Said[] =>
    stepIds.map((stepId) => ({ minute, type: "stepDone", payload: { stepId } }));
  const end = minutes - 6;
  const looks: Said["payload"][] = [
    { what: "mirror", side: null, found: 0 },
    { what: "stickies", side: "right", found: (daysAgo % 3) + 1 },
    { what: "stickies", side: "left", found: daysAgo % 2 },
    { what: "freeOfPad", side: "right", found: 0 },
    { what: "freeOfPad", side: "left", found: 0 },
    { what: "bluntTool", side: "right", found: 0 },
    { what: "bluntTool", side: "left", found: 0 },
    { what: "sting", side: null, found: 0 },
    { what: "stuck", side: "right", found: 0 },
    { what: "stuck", side: "left", found: 0 },
    { what: "word", side: null, found: 0 },
  ];
  const events: Said[] = [
    { minute: 4, type: "started", payload: { bottleId, air: air(4) } },
    ...(before ? countsOf(found, before, daysAgo, null) : []),
    ...done(6, "aired", "hands", "gloves", "lenses"),
    ...done(12, "cleanse-lashes", "cleanse-below", "rinse"),
    ...done(17, "pads", "lower-lashes", "in-the-eye", "eyes-closed", "map-on-pads"),
    { minute: 18, type: "workedWith", payload: { of: "primer", is: "primer", batchId: demoId("batch CS 12") } },
    { minute: 18, type: "workedWith", payload: { of: "dip", is: "oneMm" } },
    { minute: 19, type: "workedWith", payload: { of: "attachedAll", is: "top" } },
    // The second asking is forgotten now and then.
    ...(daysAgo % 4 === 0 ? [] : done(20, "in-the-eye-again")),
    { minute: 24, type: "shakeStarted", payload: { durationS: 60 } },
  ];
  for (let minute = 26; minute < minutes - 24;) {
    const lifeS = beadLifeS(defaultPolicy.beadMinutes, air(minute));
    if (minute > 26) events.push({ minute, type: "checked", payload: { off: null, of: null } });
    events.push({ minute, type: "beadPlaced", payload: { lifeS, air: air(minute), bottleId } });
    minute += Math.max(8, Math.round(lifeS / 60));
  }
  events.push(
    { minute: end - 14, type: "beadWiped", payload: {} },
    { minute: end - 13, type: "checked", payload: { off: null, of: null } },
    { minute: end - 12, type: "finishApplied", payload: { method: "fan" } },
    ...looks.map((payload, i) => ({ minute: end - 11 + i, type: "inspected" as const, payload })),
    ...done(end - 2, "pads-off"),
    { minute: end, type: "finished", payload: {} },
    ...done(end + 2, "card"),
    ...done(end + 5, "single-use", "linen", "surfaces"),
    { minute: end + 6, type: "soakStarted", payload: { contactS: defaultPolicy.disinfectantMinutes * 60, batchId: demoId("batch BB 77") } },
    { minute: end + 18, type: "soakEnded", payload: {} },
    ...done(end + 20, "closed"),
  );
  await tx.insert(schema.visitEvent).values(
    events.map(({ minute, type, payload }, i) => {
      const at = new Date(start.getTime() + minute * 60_000 + ((i * 7) % 40) * 1000);
      return {
        studioId,
        visitId,
        id: demoId(`event ${key} ${i}`),
        at,
        serverTime: at,
        clock: "checked" as const,
        type,
        payload,
        memberId: demoId(person.technician),
      };
    }),
  );
  const { openedDaysAgo } = ADHESIVES.flatMap(({ lots }) => lots).find(({ lot }) => demoId(lot) === bottleId)!;
  return { id: visitId, daysAgo, relativeHumidity: air(60).relativeHumidity, bottleAgeDays: openedDaysAgo - daysAgo };
}
