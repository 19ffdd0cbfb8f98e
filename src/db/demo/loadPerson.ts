import { consentText, NOTHING_SO } from "@/core/care";
import { firstSurvey } from "@/core/eye";
import { mapTitle, planMap, type LashMap, type MapWish } from "@/core/map";
import { defaultPolicy } from "@/core/policy";
import * as schema from "../schema";
import { CLIENTS, type DemoClient } from "./clients";
import { demoId, isoDate, studioId, wallClock, type Tx } from "./ids";
import { REGULARS } from "./lasting";
import { SIGNED } from "./loadColour";
import { reached } from "./reached";
import { ADHESIVES, MANNEQUIN, TEMPLATE, TRAYS } from "./scenario";

/** Made-up dates of birth, all of age. */
const bornOn = (person: DemoClient) => `${1968 + ((placeOf(person) * 7) % 34)}-0${1 + (placeOf(person) % 9)}-14`;
export const placeOf = (person: DemoClient) => [...CLIENTS, ...REGULARS].indexOf(person);

export async function loadMannequin(tx: Tx, today: string) {
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

/** A client with what was asked, surveyed and mapped; returns the map. */
export async function loadPerson(tx: Tx, today: string, person: DemoClient): Promise<LashMap> {
  const id = demoId(person.key);
  const technicianId = demoId(person.technician);
  const since = wallClock(today, person.firstDaysAgo, 10);
  await tx.insert(schema.client).values({
    ...{ studioId, id, name: person.name, ...reached(person.name, placeOf(person)) },
    ...{ contact: person.contact, notes: person.notes, bornOn: bornOn(person), createdAt: since },
  });
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
export const answersOf = (person: DemoClient) => ({
  ...NOTHING_SO,
  conditions: CLIENTS.indexOf(person) % 4 === 1 ? (["contactLenses"] as const).slice() : [],
});
