import { createHash } from "node:crypto";
import { TZDate } from "@date-fns/tz";
import { addDays, getDay } from "date-fns";
import { hashPassword } from "better-auth/crypto";
import { gt } from "drizzle-orm";
import { drizzle } from "drizzle-orm/node-postgres";
import pg from "pg";
import { beadLifeS } from "@/core/adhesive";
import { consentText, NOTHING_SO } from "@/core/care";
import type { SleptOn } from "@/core/fill";
import { LOOKS, lookHandles, mapTitle, planMap, type LashMap, type MapWish } from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import type { VisitEvent } from "@/core/visit";
import { writeOutcomes } from "../outcomes/writeOutcomes";
import * as schema from "../schema";
import { firstSurvey, usualSurvey, type Survey } from "@/core/eye";
import { standardNormal } from "@/core/units";
import { CLIENTS, type DemoClient } from "./clients";
import { BOTTLE_EVERY_DAYS, drawnCounts, drawnFor, LONG_AGO_DAYS, pastAir, REGULARS, TRUTH, type Regular } from "./lasting";
import { loadColour, SIGNED } from "./loadColour";
import { asJpeg, DRAWN_PICTURES } from "./pictures";
import {
  ADHESIVES,
  airAt,
  CHAIRS,
  DAY_SHEET,
  HANDS,
  HYGROMETERS,
  MANNEQUIN,
  OWN_LOOK,
  PEOPLE,
  ROOMS,
  STUDIO,
  TEMPLATE,
  timedAt,
  TRAYS,
} from "./scenario";

/** The same id for the same thing every time. */
export function demoId(of: string): string {
  const hex = createHash("sha256").update(`the tide room/${of}`).digest("hex");
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-4${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}
const studioId = demoId("studio");

/** A moment on the studio's wall clock, `days` before the given day. */
const wallClock = (today: string, daysAgo: number, hour: number, minute = 0) => {
  const [y, m, d] = today.split("-").map(Number) as [number, number, number];
  return new Date(addDays(new TZDate(y, m - 1, d, hour, minute, STUDIO.timeZone), -daysAgo).getTime());
};
const isoDate = (today: string, daysAgo: number) =>
  new Date(Date.parse(`${today}T12:00:00Z`) - daysAgo * 86_400_000).toISOString().slice(0, 10);
const isSunday = (today: string, daysAgo: number) => getDay(new Date(`${isoDate(today, daysAgo)}T12:00:00Z`)) === 0;
const dayNumber = (today: string, daysAgo: number) => Math.round(Date.parse(`${isoDate(today, daysAgo)}T00:00:00Z`) / 86_400_000);

/** Made-up dates of birth, all of age. */
const bornOn = (person: DemoClient) => `${1968 + ((placeOf(person) * 7) % 34)}-0${1 + (placeOf(person) % 9)}-14`;
const placeOf = (person: DemoClient) => [...CLIENTS, ...REGULARS].indexOf(person);

/**
 * Loads the scenario into an empty database, and on any later day adds that day's sheet. `today` is the studio's date;
 * everything else follows from it. Returns the two device tokens' sensor names when it loaded anew.
 */
export async function loadDemo(
  ownerUrl: string,
  today: string,
  options: { password: string; tokens: Record<string, string> },
): Promise<"loaded" | "day added" | "kept"> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  const db = drizzle(client, { schema, casing: "snake_case" });
  try {
    return await db.transaction(async (tx) => {
      const known = await tx.select({ id: schema.studio.studioId }).from(schema.studio);
      if (known.length > 0 && known[0]!.id !== studioId) return "kept";
      const anew = known.length === 0;
      if (anew) await loadStudio(tx, today, options);
      const added = await loadDay(tx, today);
      const worked = await tx.select({ id: schema.visit.id }).from(schema.visit).where(gt(schema.visit.lastSeq, 0));
      await writeOutcomes(
        tx,
        studioId,
        worked.map(({ id }) => id),
      );
      return anew ? "loaded" : added ? "day added" : "kept";
    });
  } finally {
    await client.end();
  }
}

type Tx = Parameters<Parameters<ReturnType<typeof drizzle<typeof schema>>["transaction"]>[0]>[0];

/** Drawn pictures to measure from: one client's, the closed right eye already marked. */
async function loadPictures(tx: Tx, today: string) {
  for (const [i, picture] of DRAWN_PICTURES.entries())
    await tx.insert(schema.picture).values({
      studioId,
      id: demoId(`picture ${picture.key}`),
      clientId: demoId("ottilie"),
      kind: picture.kind,
      side: picture.key === "turned" ? "left" : "right",
      widthPx: picture.widthPx,
      heightPx: picture.heightPx,
      jpeg: await asJpeg(picture),
      marks: picture.key === "flat" || picture.key === "open" ? picture.marks : null,
      takenBy: demoId("maren"),
      createdAt: new Date(wallClock(today, 2, 10).getTime() - i * 60_000),
    });
}

async function loadStudio(tx: Tx, today: string, options: { password: string; tokens: Record<string, string> }) {
  await tx.insert(schema.studio).values({ studioId, ...STUDIO });
  await tx.insert(schema.policy).values({ studioId, document: { ...defaultPolicy, lashTintLawful: "confirmed" } });
  const bend = lookHandles(LOOKS[OWN_LOOK.from], usualSurvey().eyes.right.landmarks, usualSurvey().eyes.right).map((handle, i, all) =>
    i === all.length - 2 ? { ...handle, dropMm: OWN_LOOK.secondLastDropMm } : handle,
  );
  const hash = await hashPassword(options.password);
  for (const person of PEOPLE) {
    const id = demoId(person.key);
    await tx.insert(schema.user).values({ id, name: person.name, email: person.email, emailVerified: true, studioId });
    await tx
      .insert(schema.account)
      .values({ id: demoId(`account ${person.key}`), accountId: id, providerId: "credential", userId: id, password: hash });
    await tx.insert(schema.member).values({ studioId, id, name: person.name, role: person.role });
  }
  await tx.insert(schema.ownLook).values({
    studioId,
    id: demoId("own look"),
    document: { version: 1, name: OWN_LOOK.name, from: OWN_LOOK.from, bend },
    keptBy: demoId("maren"),
  });
  for (const [i, room] of ROOMS.entries()) {
    await tx.insert(schema.room).values({
      studioId,
      id: demoId(room.key),
      name: room.name,
      volumeM3: room.volumeM3,
      traits: room.traits,
      createdAt: new Date(wallClock(today, 90, 9).getTime() + i),
    });
  }
  for (const { number, room } of CHAIRS)
    await tx.insert(schema.chair).values({ studioId, id: demoId(`chair ${number}`), roomId: demoId(room), name: `Chair ${number}` });
  for (const [i, { key, room, name }] of HYGROMETERS.entries()) {
    await tx.insert(schema.sensor).values({
      studioId,
      id: demoId(`sensor ${key}`),
      roomId: demoId(room),
      name,
      createdAt: new Date(wallClock(today, 90, 10).getTime() + i),
    });
    const token = options.tokens[key];
    if (token)
      await tx
        .insert(schema.token)
        .values({ hash: createHash("sha256").update(token).digest("hex"), studioId, sensorId: demoId(`sensor ${key}`) });
  }
  for (const { key, document, lots } of ADHESIVES) {
    await tx.insert(schema.adhesive).values({ studioId, id: demoId(key), document });
    for (const { lot, openedDaysAgo, emptiedDaysAgo } of lots)
      await tx.insert(schema.lot).values({
        studioId,
        id: demoId(lot),
        adhesiveId: demoId(key),
        number: lot,
        openedOn: isoDate(today, openedDaysAgo),
        emptiedOn: emptiedDaysAgo === undefined ? null : isoDate(today, emptiedDaysAgo),
      });
  }
  for (const [i, document] of TRAYS.entries()) await tx.insert(schema.tray).values({ studioId, id: demoId(`tray ${i}`), document });
  for (const person of CLIENTS) await loadClient(tx, today, person);
  await loadOldBottles(tx, today);
  for (const person of REGULARS) await loadRegular(tx, today, person);
  await loadMannequin(tx, today);
  await loadColour(tx, {
    studioId,
    id: demoId,
    day: (daysAgo) => isoDate(today, daysAgo),
    at: (daysAgo, hour, minute) => wallClock(today, daysAgo, hour, minute),
    dayNumber: (daysAgo) => dayNumber(today, daysAgo),
  });
  await loadPictures(tx, today);
  // Working hours of long ago, and the whole round of the last three weeks.
  for (let daysAgo = 75; daysAgo >= 1; daysAgo--)
    await (daysAgo > 21 ? loadAir(tx, today, daysAgo, 8, 19) : loadAir(tx, today, daysAgo, 0, 24));
  await loadGlue(tx, today);
}

async function loadMannequin(tx: Tx, today: string) {
  const id = demoId("mannequin");
  const createdAt = wallClock(today, 40, 10);
  await tx.insert(schema.client).values({ studioId, id, ...MANNEQUIN, mannequin: true, createdAt });
  await tx.insert(schema.survey).values({
    studioId,
    id: demoId("survey mannequin"),
    clientId: id,
    document: firstSurvey(true, 40),
    takenBy: demoId("maren"),
    createdAt,
  });
}

async function loadClient(tx: Tx, today: string, person: DemoClient) {
  const map = await loadPerson(tx, today, person);
  const found = { map, survey: person.survey, clientLog: 0 };
  let before: PastVisit | null = null;
  for (let daysAgo = person.firstDaysAgo; daysAgo >= 8; daysAgo -= person.everyDays) {
    const open = isSunday(today, daysAgo) ? daysAgo + 1 : daysAgo;
    before = await loadPastVisit(tx, today, person, open, before, found);
  }
}

/** A client with what was asked, surveyed and mapped; returns the map. */
async function loadPerson(tx: Tx, today: string, person: DemoClient): Promise<LashMap> {
  const id = demoId(person.key);
  const technicianId = demoId(person.technician);
  const since = wallClock(today, person.firstDaysAgo, 10);
  await tx
    .insert(schema.client)
    .values({ studioId, id, name: person.name, contact: person.contact, notes: person.notes, bornOn: bornOn(person), createdAt: since });
  if (person.patchDaysAgo !== null) {
    const testId = demoId(`patch ${person.key}`);
    const common = { studioId, createdAt: wallClock(today, person.patchDaysAgo, 8, 10) };
    await tx.insert(schema.patchTest).values({
      ...common,
      id: testId,
      clientId: id,
      family: "adhesive",
      productId: demoId(ADHESIVES[0]!.key),
      placedAt: wallClock(today, person.patchDaysAgo, 8),
      recordedBy: technicianId,
    });
    if (person.patchResult !== "waiting")
      await tx.insert(schema.patchReading).values({
        ...common,
        id: demoId(`reading ${person.key}`),
        testId,
        readAt: wallClock(today, person.patchDaysAgo - 2, 8, 30),
        result: person.patchResult ?? "clear",
        severe: person.patchResult === "reaction" ? false : null,
        readBy: technicianId,
      });
  }
  // Asked whole, and signed, when they came last, or half a year ago where that is longer.
  const askedDaysAgo = Math.min(person.firstDaysAgo, 35);
  if (person.firstDaysAgo >= 8) {
    const shared = { studioId, clientId: id, createdAt: wallClock(today, askedDaysAgo, 9, 5) };
    await tx.insert(schema.consultation).values({
      ...shared,
      id: demoId(`consultation ${person.key}`),
      document: answersOf(person),
      service: "newSet",
      givenBy: "client",
      askedBy: technicianId,
    });
    for (const service of ["newSet", "fill"] as const)
      await tx.insert(schema.consent).values({
        ...shared,
        id: demoId(`consent ${person.key} ${service}`),
        service,
        words: consentText(service),
        signedName: person.name,
        signature: SIGNED,
        signedOn: isoDate(today, askedDaysAgo),
        takenBy: technicianId,
      });
  }
  const surveyId = demoId(`survey ${person.key}`);
  await tx
    .insert(schema.survey)
    .values({ studioId, id: surveyId, clientId: id, document: person.survey, takenBy: technicianId, createdAt: since });
  const wish = {
    look: person.look,
    school: person.school,
    fibre: person.fibre,
    longestMm: null,
    coupling: "mirrored" as const,
    ...person.more,
  };
  const plan = planMap(person.survey, { ...wish, title: mapTitle(wish) } satisfies MapWish, defaultPolicy, TRAYS);
  if (!plan) throw new Error(`No tray for ${person.key}`);
  const mapId = demoId(`map ${person.key}`);
  await tx.insert(schema.lashMap).values({ studioId, id: mapId, clientId: id, surveyId, head: 1, createdAt: since });
  await tx
    .insert(schema.lashMapRevision)
    .values({ studioId, mapId, revision: 1, document: plan.map, savedBy: technicianId, createdAt: since });
  for (const [i, { kind, words, by }] of (person.said ?? []).entries())
    await tx.insert(schema.mapNote).values({
      studioId,
      id: demoId(`note ${person.key} ${i}`),
      mapId,
      revision: 1,
      kind,
      words,
      writtenBy: demoId(by),
      createdAt: new Date(since.getTime() + (i + 1) * 3_600_000),
    });
  if (person.key === TEMPLATE.from)
    await tx.insert(schema.mapTemplate).values({
      studioId,
      id: demoId("template"),
      document: { ...plan.map, title: TEMPLATE.title },
      keptBy: technicianId,
    });
  return plan.map;
}

/** What a client answers at every consultation. */
const answersOf = (person: DemoClient) => ({
  ...NOTHING_SO,
  conditions: CLIENTS.indexOf(person) % 4 === 1 ? (["contactLenses"] as const).slice() : [],
});

/** A visit that was worked, as far as the next one asks. */
type PastVisit = { readonly id: string; readonly daysAgo: number; readonly relativeHumidity: number; readonly bottleAgeDays: number };
type Found = { readonly map: LashMap; readonly survey: Survey; readonly clientLog: number };
type Said = { minute: number; type: VisitEvent["type"]; payload: VisitEvent["payload"] };

/** What a fill counts of the set before, as chance and the demo's truth have it. */
const countsOf = (found: Found, before: PastVisit, daysAgo: number, sleptOn: SleptOn | null): Said[] =>
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

async function loadOldBottles(tx: Tx, today: string) {
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
async function loadRegular(tx: Tx, today: string, person: Regular) {
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

/** Set tests of the bottles and placements of the hands, as if timed day by day. */
async function loadGlue(tx: Tx, today: string) {
  const tests = ADHESIVES.flatMap(({ document, lots }) =>
    lots.flatMap(({ lot, openedDaysAgo, emptiedDaysAgo = 0, agesBy = 0 }) =>
      Array.from({ length: Math.floor((openedDaysAgo - emptiedDaysAgo) / 2) }, (_, i) => {
        const daysAgo = openedDaysAgo - 2 * i;
        const air = airAt(9 + ((i * 3) % 8), dayNumber(today, daysAgo));
        return {
          studioId,
          id: demoId(`test ${lot} ${i}`),
          bottleId: demoId(lot),
          at: wallClock(today, daysAgo, 9 + ((i * 3) % 8), 7 + i),
          seconds: timedAt(document.setTimeS, air, i, (2 * i * agesBy) / 7),
          ...air,
          memberId: demoId(i % 3 === 0 ? "jossa" : "maren"),
        };
      }),
    ),
  );
  await tx.insert(schema.setTest).values(tests);
  await tx.insert(schema.handTime).values(
    HANDS.flatMap(({ person, technique, seconds }) =>
      seconds.map((value, i) => ({
        studioId,
        id: demoId(`hand ${person} ${technique} ${i}`),
        memberId: demoId(person),
        technique,
        seconds: value,
        at: wallClock(today, 3 + i, 11, i),
      })),
    ),
  );
}

/** A day's air by every hygrometer, every ten minutes between two hours. */
async function loadAir(tx: Tx, today: string, daysAgo: number, fromHour: number, toHour: number) {
  const rows = HYGROMETERS.flatMap(({ key, room, offset }, r) =>
    Array.from({ length: (toHour - fromHour) * 6 }, (_, i) => {
      const hour = fromHour + i / 6;
      const air = airAt(hour, dayNumber(today, daysAgo) + r * 0.4);
      // An old sensor comes away from the others little by little.
      const away = offset * Math.max(0, 1 - daysAgo / 60);
      return {
        studioId,
        roomId: demoId(room),
        sensorId: demoId(`sensor ${key}`),
        takenAt: wallClock(today, daysAgo, Math.floor(hour), Math.round((hour % 1) * 60)),
        temperatureC: air.temperatureC,
        relativeHumidity: Math.round((air.relativeHumidity + away) * 1000) / 1000,
      };
    }),
  );
  if (rows.length > 0) await tx.insert(schema.reading).values(rows).onConflictDoNothing();
}

async function loadDay(tx: Tx, today: string): Promise<boolean> {
  const sheet = DAY_SHEET.map((line) => ({
    studioId,
    id: demoId(`sheet ${today} ${line.client}`),
    clientId: demoId(line.client),
    technicianId: demoId(line.technician),
    roomId: demoId(line.room),
    chairId: demoId(`chair ${line.chair}`),
    service: line.service,
    startsAt: wallClock(today, 0, line.hour, line.minute),
    minutes: line.minutes,
    mapId: null,
    mapRevision: null,
  }));
  const put = await tx.insert(schema.visit).values(sheet).onConflictDoNothing().returning({ id: schema.visit.id });
  return put.length > 0;
}
