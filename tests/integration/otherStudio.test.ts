import { readdirSync, readFileSync } from "node:fs";
import path from "node:path";
import { shippedChecklist } from "@/core/checklist";
import { ask, everyAction, everyRoute, FINDS_NOTHING, inputs } from "../support/everyDoor";
import { actAs } from "../support/memberAs";
import { liftPlan } from "../support/runs";
import { fingerprint, makeStudio, pointAppAtTests, type TestStudio } from "../support/studios";

// Signs in as another studio and tries every action and every route with this studio's ids: it gets nothing.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

const uuid = () => crypto.randomUUID();
let ours: TestStudio;
let theirs: TestStudio;
beforeAll(async () => {
  ours = await makeStudio("victim");
  theirs = await makeStudio("stranger");
});

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
    if (name in FINDS_NOTHING) expect([name, result]).toEqual([name, { ok: true, data: FINDS_NOTHING[name] }]);
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

test("a trainee sets no policy, invites nobody, removes nothing, and is told whose hand it needs", async () => {
  actAs(ours.member("trainee"));
  const before = await fingerprint(ours.ids.studioId);
  const actions = new Map(await everyAction());
  const { defaultPolicy } = await import("@/core/policy");
  const tries: [string, unknown][] = [
    ["studio/savePolicy", { base: 1, policy: { ...defaultPolicy, overLengthMm: 5 } }],
    ["people/invite", { name: "x", email: "x@x.example", role: "owner" }],
    ["people/makeLink", { id: ours.ids.owner }],
    ["people/changeRole", { id: ours.ids.trainee, was: "trainee", role: "owner" }],
    ["people/deactivate", { id: ours.ids.owner }],
    ["people/takeSecondFactorOff", { id: ours.ids.owner }],
    ["people/demandSecondFactor", { demanded: true }],
    ["studio/addSensor", { roomId: ours.ids.room, name: "x" }],
    ["studio/renewToken", { id: ours.ids.sensor }],
    ["shelf/removeTray", { id: ours.ids.tray }],
    ["shelf/addAdhesive", {}],
    ["clients/archiveClient", { id: ours.ids.client, archived: true }],
    ["clients/eraseClient", { id: ours.ids.client, name: "x" }],
    ["clients/mergeClients", { id: ours.ids.client, keepId: ours.ids.client, goneId: ours.ids.double, form: {} }],
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
test("as another studio, no route gives or takes anything of ours; signed out, each says 401", async () => {
  const before = await fingerprint(ours.ids.studioId);
  const routes = await everyRoute();
  expect(routes.map(([route]) => route).sort()).toEqual([
    "api/audit",
    "api/clients/[clientId]/everything",
    "api/clients/[clientId]/pictures",
    "api/clients/import",
    "api/clients/list",
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
        // A stranger exports their own list, with their own private notes.
        if (secret !== "private" || route !== "api/clients/list")
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
  const { clientPage, clientForm, mergedInto } = await import("@/features/clients/data");
  const { listClients, listFilter } = await import("@/features/clients/list");
  const { sidesOf } = await import("@/features/clients/merge/data");
  const { mapPage, mapForFiles } = await import("@/features/map/data");
  const { surveyPage } = await import("@/features/survey/data");
  const { picturesPage } = await import("@/features/pictures/data");
  expect(await picturesPage(stranger, ours.ids.client)).toBeNull();
  const { visitPage } = await import("@/features/chair/page");
  const { runningVisits } = await import("@/features/visit/running");
  const { airPage, roomHistory } = await import("@/features/air/data");
  expect(await clientPage(stranger, ours.ids.client, now)).toBeNull();
  expect(await clientForm(stranger, ours.ids.client)).toBeNull();
  expect(await mergedInto(stranger, ours.ids.client)).toBeNull();
  expect(await sidesOf(stranger, [ours.ids.client])).toEqual([]);
  expect((await listClients(stranger, listFilter.parse({}), now)).clients.map((c) => c.id)).toEqual([theirs.ids.client]);
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
