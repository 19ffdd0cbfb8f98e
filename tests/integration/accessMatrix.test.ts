import { randomUUID } from "node:crypto";
import { ask, everyAction, everyRoute, FINDS_NOTHING, inputs, openActions, ROUTES_FOR_NOBODY } from "../support/everyDoor";
import { actAs } from "../support/memberAs";
import { fingerprint, makeStudio, pointAppAtTests, urls, withClient, type TestStudio } from "../support/studios";

// Every route and every action × everybody who may come. What there is is found on the disk, so that a new one without a rule fails.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
jest.mock("next/headers", () => ({ headers: async () => new Headers({ "x-forwarded-for": "10.9.9.9" }) }));
pointAppAtTests();

let ours: TestStudio;
let theirs: TestStudio;
beforeAll(async () => {
  ours = await makeStudio("matrix");
  theirs = await makeStudio("stranger of it");
});

/**
 * Whose hand each action needs at least. "own" is anybody's own account; "handed" a client who holds the tablet; "open" nobody
 * who is signed in, with limits of its own.
 */
const RULES: Readonly<Record<string, "trainee" | "technician" | "owner" | "own" | "handed" | "open">> = {
  "account/beginSecondFactor": "own",
  "account/changeEmail": "own",
  "account/changeName": "own",
  "account/changePassword": "own",
  "account/confirmSecondFactor": "own",
  "account/dropSecondFactor": "own",
  "account/endSessions": "own",
  "account/leaveStudio": "own",
  "account/renewRecoveryCodes": "own",
  "air/bringReadingsBack": "technician",
  "air/calibrate": "technician",
  "air/changeRoom": "technician",
  "air/roomImports": "trainee",
  "air/takeImportBack": "technician",
  "air/takeReadingsBack": "technician",
  "air/typeReading": "trainee",
  "booking/proposeDay": "trainee",
  "booking/proposeMinutes": "trainee",
  "care/confirmConsultation": "trainee",
  "care/keepConsent": "trainee",
  "care/keepConsultation": "trainee",
  "care/liftReaction": "owner",
  "care/noteReaction": "trainee",
  "care/placePatchTest": "trainee",
  "care/readPatchTest": "trainee",
  "checklists/keepChecklist": "technician",
  "clients/addClient": "trainee",
  "clients/changeClient": "trainee",
  "clients/archiveClient": "technician",
  "clients/bringClientsBack": "technician",
  "clients/clientImports": "technician",
  "clients/eraseClient": "owner",
  "clients/findClients": "trainee",
  "clients/findDoubles": "trainee",
  "clients/mergeClients": "technician",
  "clients/notTheSame": "technician",
  "clients/takeClientsBack": "technician",
  "clients/undoMerge": "technician",
  "shell/findAnything": "trainee",
  "consult/confirmOwnAnswers": "handed",
  "consult/giveToClient": "trainee",
  "consult/keepOwnAnswers": "handed",
  "consult/takeTabletBack": "handed",
  "correction/correct": "technician",
  "correction/correctionChoices": "technician",
  "lasting/howTheyLast": "trainee",
  "map/emptyTray": "trainee",
  "map/forgetLook": "technician",
  "map/forgetTemplate": "technician",
  "map/importMap": "trainee",
  "map/keepLook": "trainee",
  "map/keepTemplate": "trainee",
  "map/mapHistory": "trainee",
  "map/saveMap": "trainee",
  "map/savedMap": "trainee",
  "map/writeNote": "trainee",
  "people/bringBack": "owner",
  "people/changeRole": "owner",
  "people/deactivate": "owner",
  "people/demandSecondFactor": "owner",
  "people/invite": "owner",
  "people/mailLink": "owner",
  "people/makeLink": "owner",
  "people/sayHand": "trainee",
  "people/takeSecondFactorOff": "owner",
  "pictures/closedPictures": "trainee",
  "pictures/removePicture": "technician",
  "pictures/saveMarks": "trainee",
  "plan/planRun": "trainee",
  "protocols/keepProtocol": "technician",
  "protocols/putProtocolAway": "technician",
  "run/writeIncident": "trainee",
  "shelf/addAdhesive": "technician",
  "shelf/addShield": "technician",
  "shelf/addTray": "trainee",
  "shelf/calibrateProduct": "technician",
  "shelf/emptyLot": "trainee",
  "shelf/keepHandTime": "trainee",
  "shelf/keepProduct": "technician",
  "shelf/keepSetTest": "trainee",
  "shelf/leaveTestOut": "trainee",
  "shelf/openLot": "trainee",
  "shelf/removeShield": "technician",
  "shelf/removeTray": "technician",
  "shelf/setLengthInTray": "trainee",
  "signIn/askForLink": "open",
  "signIn/choosePassword": "open",
  "signIn/setUpStudio": "open",
  "studio/addChair": "owner",
  "studio/addRoom": "owner",
  "studio/addSensor": "owner",
  "studio/changeChair": "owner",
  "studio/changeRoomName": "owner",
  "studio/closeRoom": "owner",
  "studio/renewToken": "owner",
  "studio/savePolicy": "owner",
  "survey/saveSurvey": "trainee",
  "visit/begin": "trainee",
  "visit/book": "trainee",
  "visit/cancel": "trainee",
  "visit/changeBottle": "trainee",
  "visit/fillByMap": "trainee",
  "visit/giveReason": "trainee",
  "visit/lookAtBooking": "trainee",
  "visit/move": "trainee",
  "visit/openForMap": "trainee",
  "visit/openVisit": "trainee",
  "visit/takeLastMap": "trainee",
  "visit/withdraw": "trainee",
};
const RANK = { trainee: 0, technician: 1, owner: 2 } as const;
const ROLES = ["trainee", "technician", "owner"] as const;

/** What nobody should have sent: parsed away whoever sends it. */
const HOSTILE: readonly unknown[] = [
  {},
  null,
  "'; drop table studio.client; --",
  { id: "../../etc/passwd" },
  JSON.parse('{"__proto__": {"role": "owner"}, "constructor": {"prototype": {"role": "owner"}}}'),
  { studioId: randomUUID(), role: "owner", least: "trainee" },
  { id: { $gt: "" } },
  ["x".repeat(20_000)],
  { name: "\u0000", words: "\ud800" },
];

test("every action and every route there is has a rule here, and every rule is of one", async () => {
  const actions = [...(await everyAction()), ...(await openActions())].map(([name]) => name);
  expect(actions.sort()).toEqual(Object.keys(RULES).sort());
  const routes = [...(await everyRoute()).map(([route]) => route), ...ROUTES_FOR_NOBODY];
  expect(routes.sort()).toEqual(Object.keys(ROUTE_RULES).sort());
});

test("signed out, or with a device's token alone, no action but the open ones does anything", async () => {
  const before = await fingerprint(ours.ids.studioId);
  actAs(null);
  for (const [name, action] of await everyAction())
    for (const input of [inputs[name]!(ours), ...HOSTILE])
      expect([name, await action(input)]).toEqual([name, expect.objectContaining({ ok: false, signedOut: true })]);
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
});

test.each(ROLES)(
  "a %s is refused by name of the hand it needs, and only where the rule says so; nonsense is refused in words",
  async (role) => {
    const before = await fingerprint(ours.ids.studioId);
    let asked = 0;
    for (const [name, action] of await everyAction()) {
      const rule = RULES[name]!;
      actAs(ours.member(role));
      for (const input of HOSTILE) {
        const result = await action(input);
        asked += 1;
        const isRefusedByRole = /^This needs/.test(result.message ?? "");
        const needsMore = rule in RANK && RANK[rule as keyof typeof RANK] > RANK[role];
        expect([name, role, result.ok, isRefusedByRole]).toEqual([name, role, false, needsMore]);
        expect(JSON.stringify(result)).not.toMatch(/select |insert |Zod|\.ts:|at .*\(/);
      }
      // What would be right from another's hand does nothing from this one.
      const valid = inputs[name]!(ours);
      if (valid !== null && rule in RANK && RANK[rule as keyof typeof RANK] > RANK[role])
        expect([name, await action(valid)]).toEqual([
          name,
          expect.objectContaining({ ok: false, message: expect.stringMatching(/^This needs/) }),
        ]);
    }
    expect(asked).toBeGreaterThan(700);
    expect(await fingerprint(ours.ids.studioId)).toBe(before);
  },
);

test("somebody deactivated while a request of theirs was under way sees and changes nothing", async () => {
  const left = ours.member("technician");
  await withClient(urls().owner, (db) => db.query("update studio.member set deactivated_at = now() where id = $1", [left.id]));
  const before = await fingerprint(ours.ids.studioId);
  actAs(left);
  for (const [name, action] of await everyAction()) {
    const input = inputs[name]!(ours);
    if (input === null) continue;
    const result = await action(input);
    if (result.ok) expect([name, result.data]).toEqual([name, FINDS_NOTHING[name]]);
    expect(JSON.stringify(result)).not.toContain("private");
  }
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
  await withClient(urls().owner, (db) => db.query("update studio.member set deactivated_at = null where id = $1", [left.id]));
}, 30_000);

test("as another studio's owner, what is right for ours is refused", async () => {
  const before = await fingerprint(ours.ids.studioId);
  actAs(theirs.member("owner"));
  for (const [name, action] of await everyAction()) {
    const input = inputs[name]!(ours);
    if (input === null || name in FINDS_NOTHING) continue;
    expect([name, (await action(input)).ok]).toEqual([name, false]);
  }
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
}, 30_000);

/** Who may ask a route: a member of the studio, its owner, a device by its token, or anybody. */
const ROUTE_RULES: Readonly<Record<string, "member" | "technician" | "owner" | "device" | "anybody">> = {
  "api/audit": "owner",
  "api/auth/[...all]": "anybody",
  "api/clients/[clientId]/everything": "owner",
  "api/clients/[clientId]/pictures": "member",
  "api/clients/import": "technician",
  "api/clients/list": "owner",
  "api/health": "anybody",
  "api/intake/readings": "device",
  "api/live": "member",
  "api/maps/[mapId]/brief.pdf": "member",
  "api/maps/[mapId]/eyes.svg": "member",
  "api/maps/[mapId]/map.json": "member",
  "api/maps/[mapId]/pad-strip.pdf": "member",
  "api/maps/[mapId]/zones.csv": "member",
  "api/pictures/[id]": "member",
  "api/ready": "anybody",
  "api/retention": "member",
  "api/rooms/[roomId]/history": "member",
  "api/rooms/[roomId]/table": "member",
  "api/time": "anybody",
  "api/visits/[visitId]/care.pdf": "member",
  "api/visits/[visitId]/care.txt": "member",
  "api/visits/events": "member",
  "api/visits/running": "member",
  "schemas/lash-map.v3.json": "anybody",
  "schemas/protocol.v1.json": "anybody",
};

test("a route answers whom its rule lets in, and nobody else, whatever token they bear", async () => {
  const before = await fingerprint(ours.ids.studioId);
  for (const [route, handlers] of await everyRoute())
    for (const method of ["GET", "POST"] as const) {
      const handler = handlers[method];
      if (!handler) continue;
      const { request, context } = ask(ours);
      const withToken = () => {
        const plain = request(method);
        plain.headers.set("authorization", `Bearer ${ours.token}`);
        return plain;
      };
      actAs(null);
      expect([route, (await handler(request(method), context)).status]).toEqual([route, 401]);
      expect([route, (await handler(withToken(), context)).status]).toEqual([route, 401]);
      const rule = ROUTE_RULES[route];
      if (rule !== "owner" && rule !== "technician") continue;
      for (const role of rule === "owner" ? (["trainee", "technician"] as const) : (["trainee"] as const)) {
        actAs(ours.member(role));
        expect([route, role, (await handler(request(method), context)).status]).toEqual([route, role, 403]);
      }
      actAs(theirs.member("owner"));
      expect(await (await handler(request(method), context)).text()).not.toContain(ours.name);
    }
  expect(await fingerprint(ours.ids.studioId)).toBe(before);
}, 30_000);
