import { createHash } from "node:crypto";
import { hashPassword } from "better-auth/crypto";
import { gt } from "drizzle-orm";
import { drizzle } from "drizzle-orm/node-postgres";
import pg from "pg";
import { usualSurvey } from "@/core/eye";
import { LOOKS, lookHandles } from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import { writeOutcomes } from "../outcomes/writeOutcomes";
import * as schema from "../schema";
import { CLIENTS } from "./clients";
import { dayNumber, demoId, isoDate, studioId, wallClock, type Tx } from "./ids";
import { REGULARS } from "./lasting";
import { loadClient } from "./loadClient";
import { loadColour } from "./loadColour";
import { loadMannequin } from "./loadPerson";
import { loadOldBottles, loadRegular } from "./loadRegular";
import { loadListed } from "./reached";
import { loadAir, loadGlue } from "./loadRoom";
import { asJpeg, DRAWN_PICTURES } from "./pictures";
import { ADHESIVES, CHAIRS, DAY_SHEET, HYGROMETERS, OWN_LOOK, PEOPLE, ROOMS, STUDIO, TRAYS } from "./scenario";

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
  await loadListed(tx, today);
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
