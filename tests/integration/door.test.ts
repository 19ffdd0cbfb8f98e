import { NOTHING_SO } from "@/core/care";
import { CLIENT_SERVICES, isByProtocol, type ServiceId } from "@/core/service";
import { actAs } from "../support/memberAs";
import { planFor } from "../support/runs";
import { makeStudio, pointAppAtTests, urls, withClient, type TestStudio } from "../support/studios";

// Every way into a visit, tried against a hard stop, on a real PostgreSQL.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

type Answer = { ok: boolean; message?: string; fields?: Record<string, string>; data?: Record<string, unknown> };
type Actions = Record<string, (input: unknown) => Promise<Answer>>;
let studio: TestStudio;
let actions: Actions;
const sql = (text: string, values: unknown[] = []) => withClient(urls().owner, (db) => db.query(text, values));
const uuid = () => crypto.randomUUID();

beforeEach(async () => {
  studio = await makeStudio(`door ${Math.random()}`);
  await sql("delete from studio.visit_mark where studio_id = $1", [studio.ids.studioId]);
  // Nothing agreed or done before speaks against anything.
  for (const table of ["visit_event", "incident", "visit"])
    await sql(`delete from studio.${table} where studio_id = $1`, [studio.ids.studioId]);
  await sql("update studio.client set born_on = '1990-01-01' where studio_id = $1", [studio.ids.studioId]);
  actAs(studio.member("technician"));
  actions = {
    ...(await import("@/features/visit/actions")),
    ...(await import("@/features/care/actions")),
    ...(await import("@/features/care/patchTestActions")),
    ...(await import("@/features/plan/actions")),
  } as unknown as Actions;
});

const whole = (service: string, over: object = {}) =>
  actions.keepConsultation!({
    id: uuid(),
    clientId: studio.ids.client,
    visitId: null,
    service,
    document: { ...NOTHING_SO, ...over },
    bornOn: "",
  });
const reaction = (family: string, severe: boolean | null = true) =>
  actions.noteReaction!({
    id: uuid(),
    readingId: uuid(),
    clientId: studio.ids.client,
    family,
    productId: "",
    severe,
    day: "2026-01-02",
    time: "10:00",
  });
const tomorrow = () => new Date(Date.now() + 86_400_000).toISOString().slice(0, 10);
const place = (over: object = {}) => ({
  technicianId: studio.ids.technician,
  chairId: studio.ids.chair,
  day: tomorrow(),
  time: "10:00",
  minutes: 60,
  ...over,
});
const book = (service: string, over: object = {}) => actions.book!({ id: uuid(), clientId: studio.ids.client, service, ...place(over) });
const begin = (visitId: string, reason = "", bottleId: string | null = null) =>
  actions.begin!({ visitId, eventId: uuid(), bottleId, air: null, reason });
const tap = async (visitId: string, list: { type: string; payload: object }[], id = uuid()) => {
  const { POST } = await import("@/app/api/visits/events/route");
  const events = list.map(({ type, payload }, i) => ({
    id: i === 0 ? id : uuid(),
    visitId,
    at: new Date().toISOString(),
    clock: "device",
    type,
    payload,
  }));
  return POST(new Request("http://127.0.0.1/x", { method: "POST", body: JSON.stringify({ events }) }));
};
const marks = async (visitId: string) =>
  (await sql("select key, weight, words from studio.visit_mark where visit_id = $1 order by key", [visitId])).rows;
/** A walk-in that stands there already, as of before something was known against it. */
const standing = async (service: ServiceId) => {
  const id = uuid();
  const s = studio.ids;
  await sql(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time, map_id, map_revision) values ($1, $2, $3, $4, $5, $6, $7, now(), 60, false, $8, $9)",
    [
      s.studioId,
      id,
      s.client,
      s.technician,
      s.room,
      s.chair,
      service,
      isByProtocol(service) ? null : s.map,
      isByProtocol(service) ? null : 1,
    ],
  );
  return id;
};

describe("a hard stop holds at every door", () => {
  test("booking, for every service and its own stop", async () => {
    await whole("fill", { allergies: ["acrylate", "dye", "persulfate", "thioglycolate"] });
    for (const service of CLIENT_SERVICES) {
      const answer = await book(service);
      expect([service, answer.ok]).toEqual([service, service === "removal"]);
      if (service !== "removal") expect(answer.message).toMatch(/Allergic to .*Another brand is no way round/);
    }
  });
  test("what was recorded today stops a set as it stops a tint", async () => {
    await whole("fill", { conditions: ["inflamed"] });
    for (const service of ["newSet", "fill", "lift", "browTint"] as const)
      expect([service, await actions.openVisit!({ visitId: uuid(), clientId: studio.ids.client, service })]).toEqual([
        service,
        expect.objectContaining({ ok: false, message: expect.stringMatching(/Inflamed/) }),
      ]);
  });
  test("from the map, from a client's page, from Today with last time's map, at the beginning", async () => {
    const visitId = await standing("fill");
    await reaction("adhesive");
    const words = { ok: false, message: expect.stringMatching(/Reacted to adhesive/) };
    expect(await actions.openForMap!({ visitId: uuid(), clientId: studio.ids.client, mapId: studio.ids.map, revision: 1 })).toMatchObject(
      words,
    );
    expect(await actions.openVisit!({ visitId: uuid(), clientId: studio.ids.client, service: "newSet" })).toMatchObject(words);
    expect(await begin(visitId, "but she wants it so much")).toMatchObject(words);
    expect((await sql("select 1 from studio.visit_event where visit_id = $1", [visitId])).rows).toEqual([]);
  });
  test("from the colour page: the plan", async () => {
    const visitId = await standing("lift");
    await reaction("lotion");
    expect(
      await actions.planRun!({ visitId, eventId: uuid(), plan: planFor("lift"), air: null, reason: "but she wants it" }),
    ).toMatchObject({ ok: false, message: expect.stringMatching(/Reacted to lift lotion/) });
  });
  test("moving a visit to where it is stopped, or to another service, taking up a cancelled one, and bringing back one taken back", async () => {
    const booked = await book("fill");
    const id = booked.data!.visitId as string;
    await actions.cancel!({ id, why: "ill", back: false });
    await reaction("adhesive");
    expect(await actions.cancel!({ id, why: "", back: true })).toMatchObject({ ok: false, message: expect.stringMatching(/Reacted/) });
    await sql("update studio.visit set cancelled_at = null where id = $1", [id]);
    expect(await actions.move!({ id, revision: 1, ...place({ time: "12:00" }) })).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Reacted/),
    });
    expect(await actions.move!({ id, revision: 1, service: "removal", ...place({ time: "12:00" }) })).toMatchObject({ ok: true });
  });
  test("a bottle past its printed date at the beginning, and when it is changed to while the visit runs", async () => {
    const visitId = await standing("fill");
    await whole("fill");
    await sql("update studio.lot set expires_on = current_date - 1 where studio_id = $1", [studio.ids.studioId]);
    const words = { ok: false, message: expect.stringMatching(/past its printed date/) };
    expect(await begin(visitId, "because", studio.ids.bottle)).toMatchObject(words);
    expect(await begin(visitId, "because")).toMatchObject({ ok: true });
    expect(
      await actions.changeBottle!({ visitId, eventId: uuid(), bottleId: studio.ids.bottle, fromStart: false, reason: "because" }),
    ).toMatchObject(words);
    await sql("update studio.lot set expires_on = null, opened_on = current_date - 90 where studio_id = $1", [studio.ids.studioId]);
    expect(
      await actions.changeBottle!({ visitId, eventId: uuid(), bottleId: studio.ids.bottle, fromStart: false, reason: "" }),
    ).toMatchObject({
      ok: false,
      message: expect.stringMatching(/past its life after opening/),
    });
    expect(
      await actions.changeBottle!({
        visitId,
        eventId: uuid(),
        bottleId: studio.ids.bottle,
        fromStart: false,
        reason: "the last in the studio",
      }),
    ).toMatchObject({ ok: true });
  });
  test("a bottle is taken only while the visit runs", async () => {
    const visitId = await standing("fill");
    await whole("fill");
    const take = () =>
      actions.changeBottle!({ visitId, eventId: uuid(), bottleId: studio.ids.bottle, fromStart: false, reason: "the last in the studio" });
    expect(await take()).toMatchObject({ ok: false, message: "This visit has not begun." });
    expect(await begin(visitId, "because")).toMatchObject({ ok: true });
    expect(await take()).toMatchObject({ ok: true });
    await sql(
      "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, gen_random_uuid(), now(), 'checked', 'finished', '{}', $3)",
      [studio.ids.studioId, visitId, studio.ids.technician],
    );
    expect(await take()).toMatchObject({ ok: false, message: "This visit is over." });
  });
});

describe("an act that has happened is never refused", () => {
  test("events sent directly against a stop are kept and marked; a running visit too", async () => {
    const visitId = await standing("fill");
    await reaction("adhesive");
    const sent = await tap(visitId, [{ type: "started", payload: { bottleId: null, air: null } }]);
    expect(sent.status).toBe(200);
    expect((await sent.json()).kept).toHaveLength(1);
    expect(await marks(visitId)).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ key: "reaction adhesive", weight: "stop", words: expect.stringMatching(/Reacted to adhesive/) }),
      ]),
    );
  });
  test("a stop that is recorded while the visit runs marks the next bead, and once", async () => {
    const visitId = await standing("fill");
    await whole("fill");
    expect(await begin(visitId, "no consent on paper yet")).toMatchObject({ ok: true });
    const bead = { type: "beadPlaced", payload: { lifeS: 900, air: null, bottleId: null } };
    await tap(visitId, [bead]);
    expect(await marks(visitId)).toEqual([]);
    await whole("fill", { conditions: ["inflamed"] });
    await tap(visitId, [bead]);
    await tap(visitId, [bead]);
    expect(await marks(visitId)).toEqual([{ key: "condition inflamed", weight: "stop", words: expect.stringMatching(/Inflamed/) }]);
  });
  test("an old tablet's outbox: begun without anything asked, it is kept, and says what was not asked", async () => {
    const visitId = await standing("fill");
    const id = uuid();
    await tap(visitId, [{ type: "started", payload: { bottleId: studio.ids.bottle, air: null } }], id);
    const marked = await marks(visitId);
    expect(marked.map(({ weight }) => weight)).toEqual(marked.map(() => "ask"));
    expect(marked.map(({ key }) => key)).toEqual(expect.arrayContaining(["noConsent missing"]));
    // Sent again it is the same tap, and marks nothing anew.
    await sql("delete from studio.visit_mark where visit_id = $1", [visitId]);
    await tap(visitId, [{ type: "started", payload: { bottleId: studio.ids.bottle, air: null } }], id);
    expect(await marks(visitId)).toEqual([]);
    // The reason written without a server follows it.
    expect(await actions.giveReason!({ visitId, reason: "known to me for years" })).toMatchObject({ ok: true });
  });
  test("a visit begun although it was cancelled is there again, and says so; so is one taken back as a mistake", async () => {
    const [cancelled, withdrawn] = [await standing("removal"), await standing("removal")];
    await actions.cancel!({ id: cancelled, why: "ill", back: false });
    await actions.withdraw!({ id: withdrawn, back: false });
    for (const id of [cancelled, withdrawn]) await tap(id, [{ type: "started", payload: { bottleId: null, air: null } }]);
    const { rows } = await sql("select cancelled_at, withdrawn_at from studio.visit where id = any($1)", [[cancelled, withdrawn]]);
    expect(rows).toEqual([
      { cancelled_at: null, withdrawn_at: null },
      { cancelled_at: null, withdrawn_at: null },
    ]);
    expect((await marks(cancelled)).map(({ key }) => key)).toContain("cancelled");
  });
  test("a coat of a product past its life is kept and marked", async () => {
    const visitId = await standing("lift");
    await sql("update studio.lot set expires_on = current_date - 1 where studio_id = $1", [studio.ids.studioId]);
    await tap(visitId, [{ type: "batchTaken", payload: { stepId: "step-1", productId: studio.ids.product, batchId: studio.ids.batch } }]);
    expect((await marks(visitId)).map(({ key }) => key)).toContain(`productLife ${studio.ids.product}`);
  });
});

describe("what is asked", () => {
  test("is passed with a reason, which is kept, offered again, and needed anew once something else is asked", async () => {
    const visitId = await standing("fill");
    await whole("fill", { conditions: ["dryEye"] });
    expect(await begin(visitId)).toMatchObject({ ok: false, fields: { reason: "A reason is needed." } });
    expect(await begin(visitId, "x")).toMatchObject({ ok: false });
    expect(await begin(visitId, "drops at hand")).toMatchObject({ ok: true });
    const { rows } = await sql("select patch_reason, ask_keys from studio.visit where id = $1", [visitId]);
    expect(rows[0].patch_reason).toBe("drops at hand");
    expect(rows[0].ask_keys).toEqual(expect.arrayContaining(["condition dryEye"]));
    const { inStudio } = await import("@/server/inStudio");
    const { careOf } = await import("@/features/visit/care");
    const { knownVisit } = await import("@/features/visit/life");
    const next = await standing("fill");
    const offered = () =>
      inStudio(
        studio.member("technician"),
        async (tx) => (await careOf(tx, studio.member("technician"), await knownVisit(tx, next), new Date())).reason,
      );
    expect((await offered())?.words).toBe("drops at hand");
    await whole("fill", { conditions: ["dryEye", "pregnancy"] });
    expect(await offered()).toBeNull();
  });
  test("beginning twice, by two taps or two tablets, begins once", async () => {
    const visitId = await standing("fill");
    await whole("fill");
    const answers = await Promise.all(Array.from({ length: 6 }, () => begin(visitId, "no consent yet")));
    expect(answers.every(({ ok }) => ok)).toBe(true);
    const { rows } = await sql("select count(*)::int as n from studio.visit_event where visit_id = $1 and type = 'started'", [visitId]);
    expect(rows[0].n).toBe(1);
    const { inStudio } = await import("@/server/inStudio");
    const { knownVisit } = await import("@/features/visit/life");
    expect((await inStudio(studio.member("technician"), (tx) => knownVisit(tx, visitId))).begunAt).not.toBeNull();
  });
});

describe("patch tests are only added", () => {
  const hoursAgo = (hours: number) => {
    const then = new Date(Date.now() - hours * 3_600_000);
    const words = new Intl.DateTimeFormat("sv-SE", { timeZone: "Europe/London", dateStyle: "short", timeStyle: "short" }).format(then);
    return { day: words.slice(0, 10), time: words.slice(11, 16) };
  };
  const placed = async (hours: number, leaflet24 = false, family = "tint") => {
    const id = uuid();
    expect(
      await actions.placePatchTest!({ id, clientId: studio.ids.client, family, productId: "", leaflet24, ...hoursAgo(hours) }),
    ).toMatchObject({ ok: true });
    return id;
  };
  const read = (testId: string, result: string, hours = 0) =>
    actions.readPatchTest!({ id: uuid(), testId, result, severe: null, ...hoursAgo(hours) });

  test("clear on the day of placing, or for the year 9999, is refused in words", async () => {
    expect(await read(await placed(3), "clear")).toMatchObject({
      ok: false,
      message: expect.stringMatching(/It lies [23] h; it is read at 48 h/),
    });
    expect(await read(await placed(30), "clear")).toMatchObject({ ok: false });
    expect(await read(await placed(31, true), "clear")).toMatchObject({ ok: true });
    expect(await read(await placed(49), "clear")).toMatchObject({ ok: true });
    for (const [day, time] of [
      ["9999-01-01", "10:00"],
      [tomorrow(), "10:00"],
      ["2010-01-01", "10:00"],
    ])
      expect(
        await actions.placePatchTest!({
          id: uuid(),
          clientId: studio.ids.client,
          family: "tint",
          productId: "",
          leaflet24: false,
          day,
          time,
        }),
      ).toMatchObject({ ok: false });
  });
  test("a reaction by a trainee stands; a clear of the same day hides nothing", async () => {
    actAs(studio.member("trainee"));
    const test = await placed(60);
    expect(await read(test, "reaction", 2)).toMatchObject({ ok: true });
    expect(await read(test, "clear")).toMatchObject({ ok: true });
    expect(await read(await placed(50), "clear")).toMatchObject({ ok: true });
    actAs(studio.member("technician"));
    const answer = await book("browTint");
    expect(answer).toMatchObject({ ok: false, message: expect.stringMatching(/Reacted to tint/) });
  });
  test("the same placing with another hour to be read at is a slip, and said", async () => {
    const when = hoursAgo(40);
    const place = (leaflet24: boolean) =>
      actions.placePatchTest!({ id: uuid(), clientId: studio.ids.client, family: "tint", productId: "", leaflet24, ...when });
    expect(await place(false)).toMatchObject({ ok: true });
    expect(await place(false)).toMatchObject({ ok: true });
    expect(await place(true)).toMatchObject({ ok: false, message: expect.stringMatching(/already, to be read at 48 h/) });
  });
  test("six writes at once of one placing make one row", async () => {
    const when = hoursAgo(60);
    const answers = await Promise.all(
      Array.from({ length: 6 }, () =>
        actions.placePatchTest!({ id: uuid(), clientId: studio.ids.client, family: "tint", productId: "", leaflet24: false, ...when }),
      ),
    );
    expect(answers.every(({ ok }) => ok)).toBe(true);
    const { rows } = await sql("select count(*)::int as n from studio.patch_test where client_id = $1 and family = 'tint'", [
      studio.ids.client,
    ]);
    expect(rows[0].n).toBe(1);
  });
  test("the owner lifts it for one product only, never after a grave one; nobody else does", async () => {
    const [mild, grave] = [uuid(), uuid()];
    const note = (readingId: string, family: string, severe: boolean) =>
      actions.noteReaction!({
        id: uuid(),
        readingId,
        clientId: studio.ids.client,
        family,
        productId: "",
        severe,
        day: "2026-01-02",
        time: "10:00",
      });
    await note(mild, "lotion", false);
    await note(grave, "tint", true);
    const lift = (readingId: string) =>
      actions.liftReaction!({ id: uuid(), readingId, productId: studio.ids.product, finding: "Dr Reed, 3 June: patch clear of this one" });
    expect(await lift(mild)).toMatchObject({ ok: false, message: expect.stringMatching(/needs the owner/) });
    actAs(studio.member("owner"));
    expect(await lift(grave)).toMatchObject({ ok: false, message: expect.stringMatching(/never lifted/) });
    expect(await lift(mild)).toMatchObject({ ok: true });
    expect(await book("lift")).toMatchObject({ ok: true });
    expect(await book("browTint", { time: "14:00" })).toMatchObject({ ok: false });
  });
});

describe("the consultation", () => {
  test("one tap confirms it, but not for a new kind of service, nor after six months", async () => {
    await whole("fill", { conditions: ["contactLenses"], extensionsOn: false });
    const confirm = (service: string) => actions.confirmConsultation!({ id: uuid(), clientId: studio.ids.client, visitId: null, service });
    expect(await confirm("newSet")).toMatchObject({ ok: true });
    expect(await confirm("browTint")).toMatchObject({ ok: false, message: expect.stringMatching(/never asked for a brow tint/) });
    const { rows } = await sql(
      "select document, confirms is not null as confirms from studio.consultation where client_id = $1 order by created_at desc limit 1",
      [studio.ids.client],
    );
    expect(rows[0].confirms).toBe(true);
    expect(rows[0].document.conditions).toEqual(["contactLenses"]);
    // Who confirms has not looked again.
    expect(rows[0].document.extensionsOn).toBeNull();
    await sql("update studio.consultation set created_at = created_at - interval '7 months' where client_id = $1", [studio.ids.client]);
    expect(await confirm("fill")).toMatchObject({ ok: false, message: expect.stringMatching(/over 6 months ago/) });
  });
  test("an allergy named once stands, though later answers leave it out", async () => {
    await whole("fill", { allergies: ["dye"] });
    await whole("browTint", { allergies: [] });
    expect(await book("browTint")).toMatchObject({ ok: false, message: expect.stringMatching(/Allergic to hair dye/) });
  });
  test("another client's visit, a day to come, a birth to come, are refused in words", async () => {
    const other = await makeStudio("another");
    const keep = (over: object) =>
      actions.keepConsultation!({
        id: uuid(),
        clientId: studio.ids.client,
        visitId: null,
        service: "fill",
        document: NOTHING_SO,
        bornOn: "",
        ...over,
      });
    expect(await keep({ visitId: other.ids.visit })).toMatchObject({ ok: false });
    expect(await keep({ bornOn: tomorrow() })).toMatchObject({ ok: false, fields: { bornOn: expect.any(String) } });
    expect(await keep({ document: { ...NOTHING_SO, operation: { what: "", on: tomorrow(), releasedOn: null } } })).toMatchObject({
      ok: false,
    });
  });
});
