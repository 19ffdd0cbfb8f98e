import { readdirSync, readFileSync, statSync } from "node:fs";
import path from "node:path";
import { NOTHING_SO } from "@/core/care";
import { liftPlan } from "./runs";
import type { TestStudio } from "./studios";

/** Every way into the server that a browser or a device has: the actions and the routes there are, found by what they are. */

export type Action = (input: unknown) => Promise<{ ok: boolean; data?: unknown; message?: string }>;
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

/** Actions that only look for something, and find nothing of another's: what they answer then. */
export const FINDS_NOTHING: Readonly<Record<string, unknown>> = {
  "clients/findClients": [],
  "clients/findDoubles": [],
  "shell/findAnything": { clients: [], bottles: [], protocols: [] },
};

/** For every action, an input that would do its work in a studio. `null` says that it names nothing of the studio's. */
export const inputs: Record<string, (s: TestStudio) => unknown> = {
  "clients/findClients": (s) => ({ search: s.name }),
  "clients/addClient": () => null,
  "clients/changeClient": (s) => ({ id: s.ids.client, seenAt: new Date().toISOString(), form: { name: "taken", contact: "", notes: "" } }),
  "clients/archiveClient": (s) => ({ id: s.ids.client, archived: true }),
  "clients/findDoubles": (s) => ({ name: `${s.name} client`, phone: "", email: "", bornOn: "", ownId: null }),
  "clients/notTheSame": (s) => ({ one: s.ids.client, other: s.ids.double }),
  "clients/mergeClients": (s) => ({
    id: uuid(),
    keepId: s.ids.client,
    goneId: s.ids.double,
    form: { name: "taken", contact: "", notes: "" },
  }),
  "clients/undoMerge": (s) => ({ id: s.ids.merge }),
  "clients/eraseClient": (s) => ({ id: s.ids.double, name: `${s.name} double` }),
  "clients/clientImports": () => null,
  "clients/takeClientsBack": (s) => ({ id: s.ids.clientImport }),
  "clients/bringClientsBack": (s) => ({ id: s.ids.clientImport }),
  "shell/findAnything": (s) => ({ search: s.name }),
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
  "air/roomImports": (s) => ({ roomId: s.ids.room }),
  "air/takeImportBack": (s) => ({ id: uuid(), importId: s.ids.readingImport }),
  "air/takeReadingsBack": (s) => ({
    id: uuid(),
    sensorId: s.ids.sensor,
    fromDay: "2020-01-01",
    fromTime: "00:00",
    toDay: "2190-01-01",
    toTime: "00:00",
    why: "because I say so",
  }),
  "air/bringReadingsBack": (s) => ({ id: s.ids.takenBack }),
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
  "account/changeEmail": () => null,
  "account/changeName": () => null,
  "account/changePassword": () => null,
  "account/endSessions": () => null,
  "account/beginSecondFactor": () => null,
  "account/confirmSecondFactor": () => null,
  "account/dropSecondFactor": () => null,
  "account/renewRecoveryCodes": () => null,
  "account/leaveStudio": () => null,
  "people/invite": () => null,
  "people/makeLink": (s) => ({ id: s.ids.technician }),
  "people/mailLink": (s) => ({ id: s.ids.technician, token: "x".repeat(43) }),
  "people/changeRole": (s) => ({ id: s.ids.technician, was: "technician", role: "owner" }),
  "people/deactivate": (s) => ({ id: s.ids.technician }),
  "people/bringBack": (s) => ({ id: s.ids.technician }),
  "people/takeSecondFactorOff": (s) => ({ id: s.ids.technician }),
  "people/demandSecondFactor": () => null,
  "people/sayHand": (s) => ({ id: s.ids.technician, hand: "beginner" }),
  "studio/savePolicy": () => null,
  "studio/addRoom": () => null,
  "studio/changeRoomName": (s) => ({ id: s.ids.room, was: "room", name: "taken" }),
  "studio/closeRoom": (s) => ({ id: s.ids.room, closed: false }),
  "studio/addChair": (s) => ({ id: uuid(), roomId: s.ids.room, name: "taken" }),
  "studio/changeChair": (s) => ({ id: s.ids.chair, was: "Chair 1", name: "taken", closed: false }),
  "studio/addSensor": (s) => ({ roomId: s.ids.room, name: "spy" }),
  "studio/renewToken": (s) => ({ id: s.ids.sensor }),
};

/** Actions of nobody who is signed in. */
const OPEN = "signIn";

/** Whatever file of a feature is open to the browser, by what it says of itself, not by its name. */
async function actionsOf(isWanted: (feature: string) => boolean): Promise<[string, Action][]> {
  const all: [string, Action][] = [];
  for (const entry of readdirSync("src/features", { recursive: true, withFileTypes: true })) {
    const file = path.resolve(entry.parentPath, entry.name);
    if (!entry.isFile() || !/\.tsx?$/.test(entry.name) || !/^"use server"/m.test(readFileSync(file, "utf8"))) continue;
    const feature = path.relative(path.resolve("src/features"), file).split(path.sep)[0]!;
    if (!isWanted(feature)) continue;
    const actions = (await import(file)) as Record<string, Action>;
    for (const [name, action] of Object.entries(actions)) if (typeof action === "function") all.push([`${feature}/${name}`, action]);
  }
  return all;
}
/** Every action that asks who is signed in. */
export const everyAction = () => actionsOf((feature) => feature !== OPEN);
/** Actions of nobody: setting up, and passwords by a link. */
export const openActions = () => actionsOf((feature) => feature === OPEN);

/** Routes that ask nobody who they are; each says so for itself. */
export const ROUTES_FOR_NOBODY = [
  "api/auth/[...all]",
  "api/health",
  "api/ready",
  "api/time",
  "api/intake/readings",
  "schemas/lash-map.v3.json",
  "schemas/protocol.v1.json",
];
export type Handlers = Partial<
  Record<"GET" | "POST", (request: Request, context: { params: Promise<Record<string, string>> }) => Promise<Response> | Response>
>;

export async function everyRoute(): Promise<[string, Handlers][]> {
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
/** A request of everything a route may want of a studio. */
export const ask = (studio: TestStudio) => ({
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
