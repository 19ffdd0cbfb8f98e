import { readdirSync, readFileSync, statSync } from "node:fs";
import path from "node:path";
import { NOTHING_SO } from "@/core/care";
import { shippedChecklist } from "@/core/checklist";
import { actAs } from "../support/memberAs";
import { liftPlan } from "../support/runs";
import { fingerprint, makeStudio, pointAppAtTests, type TestStudio } from "../support/studios";

// Signs in as another studio and tries every action and every route with this studio's ids: it gets nothing.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let ours: TestStudio;
let theirs: TestStudio;
beforeAll(async () => {
  ours = await makeStudio("victim");
  theirs = await makeStudio("stranger");
});

type Action = (input: unknown) => Promise<{ ok: boolean; data?: unknown; message?: string }>;
const uuid = () => crypto.randomUUID();

const ROOM_FORM = {
  volume: "99",
  airChange: "1",
  humidifier: "0",
  humidifierWarm: false,
  dehumidifier: "0",
  heater: "0",
  altitude: "0",
  glazing: "double",
  outsideTemperature: "5",
  outsideHumidity: "80",
};

/** A place in our studio, tomorrow. */
const place = (s: TestStudio) => ({
  technicianId: s.ids.technician,
  chairId: s.ids.chair,
  day: new Date(Date.now() + 86_400_000).toISOString().slice(0, 10),
  time: "10:00",
  minutes: 60,
});

/** For every action, an input that would do its work in our studio. `null` says that it names nothing of ours. */
const inputs: Record<string, (s: TestStudio) => unknown> = {
  "clients/findClients": (s) => ({ search: s.name }),
  "clients/addClient": () => null,
  "clients/changeClient": (s) => ({ id: s.ids.client, seenAt: new Date().toISOString(), form: { name: "taken", contact: "", notes: "" } }),
  "clients/putClientAway": (s) => ({ id: s.ids.client, away: true }),
  "care/placePatchTest": (s) => ({
    id: uuid(),
    clientId: s.ids.client,
    family: "adhesive",
    productId: "",
    day: "2026-01-01",
    time: "10:00",
    leaflet24: false,
  }),
  "care/readPatchTest": (s) => ({ id: uuid(), testId: s.ids.patch, result: "reaction", severe: null, day: "2026-11-20", time: "10:00" }),
  "care/noteReaction": (s) => ({
    id: uuid(),
    readingId: uuid(),
    clientId: s.ids.client,
    family: "tint",
    productId: "",
    severe: null,
    day: "2026-01-01",
    time: "10:00",
  }),
  "care/liftReaction": (s) => ({ id: uuid(), readingId: s.ids.patchReading, productId: s.ids.product, finding: "Dr Nobody, long ago" }),
  "care/keepConsultation": (s) => ({
    id: uuid(),
    clientId: s.ids.client,
    visitId: s.ids.visit,
    service: "fill",
    document: NOTHING_SO,
    bornOn: "1990-01-01",
  }),
  "care/confirmConsultation": (s) => ({ id: uuid(), clientId: s.ids.client, visitId: null, service: "lift" }),
  "care/keepConsent": (s) => ({
    clientId: s.ids.client,
    service: "lift",
    signedName: "x",
    signedBy: "client",
    signature: "M1 1L2 2",
    onPaper: false,
  }),
  "booking/proposeMinutes": () => null,
  "booking/proposeDay": (s) => ({ clientId: s.ids.client, technicianId: s.ids.technician }),
  "pictures/closedPictures": (s) => ({ clientId: s.ids.client }),
  "lasting/howTheyLast": (s) => ({ clientId: s.ids.client }),
  "consult/giveToClient": (s) => ({ visitId: s.ids.visit }),
  "consult/keepOwnAnswers": () => null,
  "consult/confirmOwnAnswers": () => null,
  "consult/takeTabletBack": () => null,
  "visit/book": (s) => ({ id: uuid(), clientId: s.ids.client, service: "fill", ...place(s) }),
  "visit/lookAtBooking": (s) => ({ clientId: s.ids.client, service: "fill", day: place(s).day, time: "10:00" }),
  "visit/move": (s) => ({ id: s.ids.visit, revision: 1, ...place(s) }),
  "visit/cancel": (s) => ({ id: s.ids.visit, why: "spite", back: false }),
  "visit/withdraw": (s) => ({ id: s.ids.colourVisit, back: false }),
  "visit/openVisit": (s) => ({ visitId: uuid(), clientId: s.ids.client, service: "lift" }),
  "visit/openForMap": (s) => ({ visitId: uuid(), clientId: s.ids.client, mapId: s.ids.map, revision: 1 }),
  "visit/fillByMap": (s) => ({ visitId: s.ids.visit, mapId: s.ids.map, revision: 1 }),
  "visit/takeLastMap": (s) => ({ visitId: s.ids.visit }),
  "visit/begin": (s) => ({ visitId: s.ids.visit, eventId: uuid(), bottleId: null, air: null, reason: "because I say so" }),
  "visit/giveReason": (s) => ({ visitId: s.ids.visit, reason: "because I say so" }),
  "visit/changeBottle": (s) => ({
    visitId: s.ids.visit,
    eventId: uuid(),
    bottleId: s.ids.bottle,
    fromStart: false,
    reason: "because I say so",
  }),
  "survey/saveSurvey": (s) => ({ id: uuid(), clientId: s.ids.client, survey: s.survey }),
  "map/saveMap": (s) => ({ mapId: s.ids.map, clientId: s.ids.client, surveyId: s.ids.survey, base: 1, map: s.map }),
  "map/importMap": (s) => ({
    clientId: s.ids.client,
    text: JSON.stringify({ format: "ivy-thread.lash-map", version: 2, map: s.map, survey: s.survey }),
  }),
  "map/keepLook": () => null,
  "map/forgetLook": (s) => ({ id: s.ids.look }),
  "map/keepTemplate": () => null,
  "map/forgetTemplate": (s) => ({ id: s.ids.template }),
  "correction/correctionChoices": (s) => ({ visitId: s.ids.visit }),
  "correction/correct": ({ ids }) => ({
    visitId: ids.visit,
    eventId: crypto.randomUUID(),
    wish: { what: "client", clientId: ids.client, why: "It was theirs." },
  }),
  "map/emptyTray": () => null,
  "map/mapHistory": (s) => ({ clientId: s.ids.client, mapId: s.ids.map }),
  "map/savedMap": (s) => ({ mapId: s.ids.map, revision: 1 }),
  "map/writeNote": (s) => ({ mapId: s.ids.map, revision: 1, kind: "note", words: "spied" }),
  "pictures/saveMarks": (s) => ({ id: s.ids.picture, marks: { version: 1, scale: null, across: null, line: [], places: {}, lashes: [] } }),
  "pictures/removePicture": (s) => ({ id: s.ids.picture }),
  "air/typeReading": (s) => ({ roomId: s.ids.room, temperature: "21", humidity: "50" }),
  "air/changeRoom": (s) => ({ roomId: s.ids.room, base: 1, form: ROOM_FORM }),
  "air/calibrate": (s) => ({ sensorId: s.ids.sensor, how: "typed", humidityOffset: "2", temperatureOffset: "0" }),
  "shelf/addAdhesive": () => null,
  "shelf/openLot": (s) => ({ id: uuid(), productId: s.ids.adhesive, lot: "X", openedOn: "2026-01-01" }),
  "shelf/emptyLot": (s) => ({ id: s.ids.batch, emptied: true }),
  "shelf/keepSetTest": (s) => ({
    id: uuid(),
    bottleId: s.ids.bottle,
    seconds: 1,
    air: { temperatureC: 22, relativeHumidity: 0.5 },
    leftOut: false,
  }),
  "shelf/leaveTestOut": (s) => ({ id: s.ids.setTest, leftOut: true }),
  "shelf/keepHandTime": () => null,
  "shelf/addTray": () => null,
  "shelf/setLengthInTray": (s) => ({ id: s.ids.tray, lengthMm: 9, stocked: false }),
  "shelf/removeTray": (s) => ({ id: s.ids.tray }),
  "plan/planRun": (s) => ({ visitId: s.ids.colourVisit, eventId: uuid(), plan: liftPlan(), air: null, reason: "because I say so" }),
  "run/writeIncident": (s) => ({ id: uuid(), visitId: s.ids.colourVisit, words: "spied" }),
  "shelf/keepProduct": () => null,
  "shelf/calibrateProduct": (s) => ({ id: s.ids.product, how: "drops", drops: 40, grams: 2 }),
  "shelf/addShield": () => null,
  "shelf/removeShield": (s) => ({ id: s.ids.shield }),
  "protocols/keepProtocol": (s) => ({ id: s.ids.protocol, base: 1, document: liftPlan().protocol }),
  "protocols/putProtocolAway": (s) => ({ id: s.ids.protocol, away: true }),
  "checklists/keepChecklist": () => null,
  "studio/sayHand": (s) => ({ id: s.ids.technician, hand: "beginner" }),
  "studio/savePolicy": () => null,
  "studio/addPerson": () => null,
  "studio/addRoom": () => null,
  "studio/changeRoomName": (s) => ({ id: s.ids.room, was: "room", name: "taken" }),
  "studio/closeRoom": (s) => ({ id: s.ids.room, closed: false }),
  "studio/addChair": (s) => ({ id: uuid(), roomId: s.ids.room, name: "taken" }),
  "studio/changeChair": (s) => ({ id: s.ids.chair, was: "Chair 1", name: "taken", closed: false }),
  "studio/addSensor": (s) => ({ roomId: s.ids.room, name: "spy" }),
  "studio/renewToken": (s) => ({ id: s.ids.sensor }),
};

/** Whatever file of a feature is open to the browser, by what it says of itself, not by its name. */
async function everyAction(): Promise<[string, Action][]> {
  const all: [string, Action][] = [];
  for (const entry of readdirSync("src/features", { recursive: true, withFileTypes: true })) {
    const file = path.resolve(entry.parentPath, entry.name);
    if (!entry.isFile() || !/\.tsx?$/.test(entry.name) || !/^"use server"/m.test(readFileSync(file, "utf8"))) continue;
    const feature = path.relative(path.resolve("src/features"), file).split(path.sep)[0]!;
    if (feature === "signIn") continue;
    const actions = (await import(file)) as Record<string, Action>;
    for (const [name, action] of Object.entries(actions)) if (typeof action === "function") all.push([`${feature}/${name}`, action]);
  }
  return all;
}

test("every action there is stands in the list above", async () => {
  expect((await everyAction()).map(([name]) => name).sort()).toEqual(Object.keys(inputs).sort());
});

test("as another studio's owner, no action sees or touches ours", async () => {
  const before = await fingerprint(ours.ids.studioId);
  actAs(theirs.member("owner"));
  for (const [name, action] of await everyAction()) {
    const input = inputs[name]!(ours);
    if (input === null) continue;
    const result = await action(input);
    if (name === "clients/findClients") expect(result).toEqual({ ok: true, data: [] });
    else expect([name, result.ok]).toEqual([name, false]);
    expect(JSON.stringify(result)).not.toContain("private");
    expect(JSON.stringify(result)).not.toContain(`${ours.name} `);
  }
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
});

test("signed out, no action does anything, and each says so", async () => {
  const before = await fingerprint(ours.ids.studioId);
  actAs(null);
  for (const [name, action] of await everyAction())
    expect([name, await action(inputs[name]!(ours))]).toEqual([name, expect.objectContaining({ ok: false, signedOut: true })]);
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
});

test("a trainee sets no policy, adds nobody, removes nothing, and is told whose hand it needs", async () => {
  actAs(ours.member("trainee"));
  const before = await fingerprint(ours.ids.studioId);
  const actions = new Map(await everyAction());
  const { defaultPolicy } = await import("@/core/policy");
  const tries: [string, unknown][] = [
    ["studio/savePolicy", { base: 1, policy: { ...defaultPolicy, overLengthMm: 5 } }],
    ["studio/addPerson", { name: "x", email: "x@x.example", password: "long enough 1", role: "owner" }],
    ["studio/addSensor", { roomId: ours.ids.room, name: "x" }],
    ["studio/renewToken", { id: ours.ids.sensor }],
    ["shelf/removeTray", { id: ours.ids.tray }],
    ["shelf/addAdhesive", {}],
    ["clients/putClientAway", { id: ours.ids.client, away: true }],
    ["air/changeRoom", { roomId: ours.ids.room, volume: "44" }],
    ["care/liftReaction", { id: uuid(), readingId: ours.ids.patchReading, productId: ours.ids.product, finding: "Dr Nobody, long ago" }],
    ["studio/addRoom", { id: uuid(), name: "x" }],
    ["studio/changeRoomName", { id: ours.ids.room, was: "room", name: "x" }],
    ["studio/closeRoom", { id: ours.ids.room, closed: true }],
    ["studio/addChair", { id: uuid(), roomId: ours.ids.room, name: "x" }],
    ["studio/changeChair", { id: ours.ids.chair, was: "Chair 1", name: "x", closed: true }],
    ["map/forgetLook", { id: ours.ids.look }],
    ["map/forgetTemplate", { id: ours.ids.template }],
    ["pictures/removePicture", { id: ours.ids.picture }],
    ["protocols/keepProtocol", { id: ours.ids.protocol, base: 1, document: liftPlan().protocol }],
    ["protocols/putProtocolAway", { id: ours.ids.protocol, away: true }],
    ["checklists/keepChecklist", { base: 0, document: shippedChecklist("fill", defaultPolicy) }],
    ["shelf/keepProduct", { id: null, document: {} }],
    ["shelf/calibrateProduct", { id: ours.ids.product, how: "drops", drops: 40, grams: 2 }],
    ["shelf/addShield", {}],
    ["shelf/removeShield", { id: ours.ids.shield }],
  ];
  for (const [name, input] of tries)
    expect([name, await actions.get(name)!(input)]).toEqual([
      name,
      expect.objectContaining({ ok: false, message: expect.stringMatching(/needs/) }),
    ]);
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
});

test("every action answers nonsense in words and throws at nobody", async () => {
  actAs(ours.member("owner"));
  const before = await fingerprint(ours.ids.studioId);
  const nonsense = [undefined, null, 7, "text", [], {}, { id: "1" }, { clientId: uuid(), mapId: uuid() }, { search: "x".repeat(5000) }];
  for (const [name, action] of await everyAction())
    for (const input of nonsense) {
      const result = await action(input);
      expect([name, result.ok]).toEqual([name, false]);
      expect(result.message).toMatch(/\w+/);
      expect(JSON.stringify(result)).not.toMatch(/at .*\.ts|select|Zod/);
    }
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
});

const ROUTES_FOR_NOBODY = [
  "api/auth/[...all]",
  "api/health",
  "api/time",
  "api/intake/readings",
  "schemas/lash-map.v3.json",
  "schemas/protocol.v1.json",
];
type Handlers = Partial<
  Record<"GET" | "POST", (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response> | Response>
>;

async function everyRoute(): Promise<[string, Handlers][]> {
  const files = (function walk(folder: string): string[] {
    return readdirSync(folder).flatMap((name) => {
      const file = path.join(folder, name);
      return statSync(file).isDirectory() ? walk(file) : name === "route.ts" ? [file] : [];
    });
  })("src/app");
  const routes = files
    .map((file) => [path.relative("src/app", path.dirname(file)), file] as const)
    .filter(([route]) => !ROUTES_FOR_NOBODY.includes(route));
  return Promise.all(routes.map(async ([route, file]) => [route, (await import(path.resolve(file))) as Handlers] as [string, Handlers]));
}
/** An answer's text; of a stream that stays open what it says in its first second. */
async function firstWords(response: Response): Promise<string> {
  if (!response.headers.get("content-type")?.startsWith("text/event-stream")) return response.text();
  const reader = response.body!.getReader();
  const decoder = new TextDecoder();
  let text = "";
  const end = new Promise<"end">((resolve) => setTimeout(() => resolve("end"), 1000));
  for (;;) {
    const next = await Promise.race([reader.read(), end]);
    if (next === "end" || next.done) break;
    text += decoder.decode(next.value);
  }
  await reader.cancel();
  expect(text).toContain("event: air");
  return text;
}
const ask = (studio: TestStudio) => ({
  request: (method: string) =>
    new Request("http://127.0.0.1/x", {
      method,
      ...(method === "POST"
        ? {
            body: JSON.stringify({
              events: [
                { id: uuid(), visitId: studio.ids.visit, at: new Date().toISOString(), clock: "checked", type: "finished", payload: {} },
              ],
            }),
          }
        : {}),
    }),
  context: {
    params: Promise.resolve({
      mapId: studio.ids.map,
      clientId: studio.ids.client,
      id: studio.ids.picture,
      roomId: studio.ids.room,
      visitId: studio.ids.colourVisit,
    }),
  },
});

test("as another studio, no route gives or takes anything of ours; signed out, each says 401", async () => {
  const before = await fingerprint(ours.ids.studioId);
  const routes = await everyRoute();
  expect(routes.map(([route]) => route).sort()).toEqual([
    "api/clients/[clientId]/pictures",
    "api/live",
    "api/maps/[mapId]/brief.pdf",
    "api/maps/[mapId]/eyes.svg",
    "api/maps/[mapId]/map.json",
    "api/maps/[mapId]/pad-strip.pdf",
    "api/maps/[mapId]/zones.csv",
    "api/pictures/[id]",
    "api/retention",
    "api/rooms/[roomId]/history",
    "api/rooms/[roomId]/table",
    "api/visits/[visitId]/care.pdf",
    "api/visits/[visitId]/care.txt",
    "api/visits/events",
    "api/visits/running",
  ]);
  for (const [route, handlers] of routes)
    for (const method of ["GET", "POST"] as const) {
      const handler = handlers[method];
      if (!handler) continue;
      const { request, context } = ask(ours);
      actAs(null);
      expect([route, (await handler(request(method), context)).status]).toEqual([route, 401]);
      actAs(theirs.member("owner"));
      const text = await firstWords(await handler(request(method), context));
      for (const secret of [ours.ids.visit, ours.ids.client, ours.ids.room, `${ours.name} `, "private"])
        expect([route, text.includes(secret) && !text.includes("unknown")]).toEqual([route, false]);
      if (route.startsWith("api/maps") || route.startsWith("api/pictures"))
        expect((await handler(request(method), context)).status).toBe(404);
    }
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
}, 30_000);

test("as another studio, every page's reading comes back empty", async () => {
  actAs(theirs.member("owner"));
  const stranger = theirs.member("owner");
  const now = new Date();
  const { clientPage, clientForm, listClients } = await import("@/features/clients/data");
  const { mapPage, mapForFiles } = await import("@/features/map/data");
  const { surveyPage } = await import("@/features/survey/data");
  const { picturesPage } = await import("@/features/pictures/data");
  expect(await picturesPage(stranger, ours.ids.client)).toBeNull();
  const { visitPage } = await import("@/features/chair/page");
  const { runningVisits } = await import("@/features/visit/running");
  const { airPage, roomHistory } = await import("@/features/air/data");
  expect(await clientPage(stranger, ours.ids.client, now)).toBeNull();
  expect(await clientForm(stranger, ours.ids.client)).toBeNull();
  expect((await listClients(stranger, "")).clients.map((c) => c.id)).toEqual([theirs.ids.client]);
  expect(await mapPage(stranger, ours.ids.client, ours.ids.map)).toBeNull();
  expect(await mapPage(stranger, theirs.ids.client, ours.ids.map)).toBeNull();
  expect(await mapForFiles(stranger, ours.ids.map)).toBeNull();
  expect(await surveyPage(stranger, ours.ids.client)).toBeNull();
  expect(await visitPage(stranger, ours.ids.visit, now)).toBeNull();
  expect((await runningVisits(stranger, now)).map((v) => v.id)).toEqual([theirs.ids.visit]);
  expect(await airPage(stranger, ours.ids.room, new Date(now.getTime() - 86_400_000), now)).toBeNull();
  const { retentionData, retentionPage } = await import("@/features/lasting/data");
  expect(JSON.stringify(await retentionData(stranger))).not.toContain(ours.ids.client);
  expect(await retentionPage(stranger)).toMatchObject({ fills: 0, lookedWith: null });
  expect(await roomHistory(stranger, ours.ids.room, new Date(now.getTime() - 86_400_000), now)).toEqual([]);
});

test("no route or page reads the database by itself", () => {
  for (const file of readdirSync("src/app", { recursive: true, encoding: "utf8" }).filter((name) => /\.tsx?$/.test(name)))
    expect([file, /drizzle|@\/db|server\/pools|inStudio/.test(readFileSync(path.join("src/app", file), "utf8"))]).toEqual([file, false]);
});
