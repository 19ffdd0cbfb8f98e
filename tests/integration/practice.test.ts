import { firstSurvey, type Survey } from "@/core/eye";
import { writeMapFile } from "@/core/formats";
import { setZoneLength } from "@/core/map";
import { CLIENT_SERVICES } from "@/core/service";
import { actAs, acting } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

// Practice on a mannequin head: lengths to 25 mm there, and by no way in on a client.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

type Answer = { ok: boolean; message?: string; data?: Record<string, unknown> };
type Actions = Record<string, (input: unknown) => Promise<Answer>>;
let studio: TestStudio;
let actions: Actions;
const sql = async <T>(text: string, values: unknown[] = []) =>
  withClient(urls().owner, async (db) => (await db.query(text, values)).rows as T[]);
const uuid = () => crypto.randomUUID() as string;
const refused = (words: RegExp) => ({ ok: false, message: expect.stringMatching(words) });
const never = /past 18 mm is for practice on a mannequin head, never for a client/;

beforeEach(async () => {
  studio = await makeStudio(`practice ${Math.random()}`);
  actAs(studio.member("technician"));
  actions = {
    ...(await import("@/features/clients/actions")),
    ...(await import("@/features/survey/actions")),
    ...(await import("@/features/map/actions")),
    ...(await import("@/features/visit/actions")),
    ...(await import("@/features/correction/actions")),
  } as unknown as Actions;
});

async function head() {
  const id = uuid();
  const form = { name: "Head one", contact: "", notes: "", bornOn: "", mannequin: true };
  expect(await actions.addClient!({ id, form })).toMatchObject({ ok: true });
  const surveyId = uuid();
  expect(await actions.saveSurvey!({ id: surveyId, clientId: id, survey: firstSurvey(true, 3) })).toMatchObject({ ok: true });
  return { id, surveyId };
}
const long = () => setZoneLength(studio.map, "left", 2, 25);
async function headWithMap() {
  const { id, surveyId } = await head();
  const mapId = uuid();
  expect(await actions.saveMap!({ mapId, clientId: id, surveyId, base: 0, map: long() })).toMatchObject({ ok: true });
  return { id, surveyId, mapId };
}

test("whose lashes a survey is of is kept apart, whichever way it comes", async () => {
  const { id } = await head();
  const save = (clientId: string, survey: Survey) => actions.saveSurvey!({ id: uuid(), clientId, survey });
  expect(await save(studio.ids.client, firstSurvey(true, 3))).toMatchObject(refused(/a mannequin head's lashes; a client's own/));
  expect(await save(id, studio.survey)).toMatchObject(refused(/this is a mannequin head/));
  // A file that brings its survey to somebody who has none.
  const [bare, other] = [uuid(), uuid()];
  await sql("insert into studio.client (studio_id, id, name) values ($1, $2, 'New Client')", [studio.ids.studioId, bare]);
  await sql("insert into studio.client (studio_id, id, name, mannequin) values ($1, $2, 'Head two', true)", [studio.ids.studioId, other]);
  const file = (survey: Survey) => writeMapFile(studio.map, survey);
  expect(await actions.importMap!({ clientId: bare, text: file(firstSurvey(true, 3)) })).toMatchObject(refused(/a client's own/));
  expect(await actions.importMap!({ clientId: other, text: file(studio.survey) })).toMatchObject(refused(/this is a mannequin head/));
  expect(await sql("select 1 from studio.survey where client_id = any($1)", [[bare, other]])).toEqual([]);
  expect(await actions.importMap!({ clientId: other, text: file(firstSurvey(true, 3)) })).toMatchObject({ ok: true });
});

test("25 mm are saved and imported for a mannequin head, and refused in words for a client", async () => {
  const { id } = await headWithMap();
  const text = writeMapFile(long(), null);
  expect(await actions.importMap!({ clientId: id, text })).toMatchObject({ ok: true });
  const { client, survey, map } = studio.ids;
  expect(await actions.saveMap!({ mapId: map, clientId: client, surveyId: survey, base: 1, map: long() })).toMatchObject(refused(never));
  expect(await actions.importMap!({ clientId: client, text })).toMatchObject(refused(never));
  expect(
    await sql("select 1 from studio.lash_map_revision r join studio.lash_map m on m.id = r.map_id where m.client_id = $1", [client]),
  ).toHaveLength(1);
});

test("a mannequin head's map opens a practice visit, once a day until it has begun; it begins with no consultation", async () => {
  const { id, mapId } = await headWithMap();
  const open = () => actions.openForMap!({ visitId: uuid(), clientId: id, mapId, revision: 1 });
  const opened = await open();
  expect(await open()).toEqual(opened);
  const visitId = opened.data!.visitId as string;
  expect(await sql("select service, map_id from studio.visit where id = $1", [visitId])).toEqual([{ service: "practice", map_id: mapId }]);
  // Of a bottle past its life too: nobody's eye is near it.
  await sql("update studio.lot set opened_on = current_date - 300 where id = $1", [studio.ids.bottle]);
  const begin = { visitId, eventId: uuid(), bottleId: studio.ids.bottle, air: null, reason: "" };
  expect(await actions.begin!(begin)).toMatchObject({ ok: true });
});

test("practice stands against every client, every service against a mannequin head; booked, opened, moved", async () => {
  const { id } = await head();
  const place = { technicianId: studio.ids.technician, chairId: studio.ids.chair, day: nextYear(), time: "10:00", minutes: 60 };
  const book = (clientId: string, service: string, visitId = uuid()) => actions.book!({ id: visitId, clientId, service, ...place });
  expect(await book(studio.ids.client, "practice")).toMatchObject(refused(/on a mannequin head, not on a client/));
  expect(await actions.openVisit!({ visitId: uuid(), clientId: studio.ids.client, service: "practice" })).toMatchObject(
    refused(/not on a client/),
  );
  for (const service of CLIENT_SERVICES) {
    expect([service, await book(id, service)]).toEqual([service, expect.objectContaining(refused(/only practice is done on it/))]);
    expect(await actions.openVisit!({ visitId: uuid(), clientId: id, service })).toMatchObject({ ok: false });
  }
  const visitId = uuid();
  expect(await book(id, "practice", visitId)).toMatchObject({ ok: true });
  expect(await actions.move!({ id: visitId, revision: 1, service: "fill", ...place, time: "12:00" })).toMatchObject({ ok: false });
});
const nextYear = () => new Date(Date.now() + 200 * 86_400_000).toISOString().slice(0, 10);

test("an older map of a client's that is too long reads, and is not worn: from the map, from last time, at the beginning", async () => {
  const { client, map, studioId, technician, room, chair } = studio.ids;
  await sql("update studio.lash_map_revision set document = $2 where map_id = $1", [map, JSON.stringify(long())]);
  const { mapPage } = await import("@/features/map/data");
  expect(await mapPage(acting(), client, map)).toMatchObject({ saved: { map: long() } });
  expect(await actions.openForMap!({ visitId: uuid(), clientId: client, mapId: map, revision: 1 })).toMatchObject(refused(never));
  const visitId = uuid();
  await sql(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, map_id, map_revision, keeps_time) values ($1, $2, $3, $4, $5, $6, 'newSet', now(), 60, $7, 1, false)",
    [studioId, visitId, client, technician, room, chair, map],
  );
  expect(await actions.begin!({ visitId, eventId: uuid(), bottleId: null, air: null, reason: "she asked" })).toMatchObject(refused(never));
  expect(await sql("select 1 from studio.visit_event where visit_id = $1", [visitId])).toEqual([]);
});

test("practice done on a head is not corrected to a client, nor a set to a head", async () => {
  const { id, mapId } = await headWithMap();
  const opened = await actions.openForMap!({ visitId: uuid(), clientId: id, mapId, revision: 1 });
  const visitId = opened.data!.visitId as string;
  await actions.begin!({ visitId, eventId: uuid(), bottleId: null, air: null, reason: "" });
  const finish = async (of: string) => {
    const { POST } = await import("@/app/api/visits/events/route");
    const event = { id: uuid(), visitId: of, at: new Date().toISOString(), clock: "checked", type: "finished", version: 1, payload: {} };
    await POST(new Request("http://x/", { method: "POST", body: JSON.stringify({ events: [event] }) }));
  };
  await finish(visitId);
  await finish(studio.ids.visit);
  const correct = (of: string, clientId: string) =>
    actions.correct!({ visitId: of, eventId: uuid(), wish: { what: "client", clientId, why: "slip of the list" } });
  expect(await correct(visitId, studio.ids.client)).toMatchObject(refused(/this was practice/));
  expect(await correct(studio.ids.visit, id)).toMatchObject(refused(/a mannequin head; this was done on a client/));
});
