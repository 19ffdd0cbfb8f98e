import { actAs, acting } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";
import type { VisitEvent } from "@/core/visit";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
beforeAll(async () => {
  studio = await makeStudio("workers");
  actAs(studio.member("technician"));
});
const event = (type: VisitEvent["type"], payload: unknown, id = crypto.randomUUID() as string) =>
  ({ id, visitId: studio.ids.visit, at: new Date().toISOString(), clock: "checked", type, payload }) as VisitEvent;
const post = async (body: unknown, raw?: string) => {
  const { POST } = await import("@/app/api/visits/events/route");
  return POST(new Request("http://x/", { method: "POST", body: raw ?? JSON.stringify(body) }));
};

describe("taps", () => {
  test("sent twice, or at once from two tablets, they are kept once", async () => {
    const bead = event("beadPlaced", { lifeS: 900, air: { temperatureC: 21, relativeHumidity: 0.5 }, bottleId: studio.ids.bottle });
    const answers = await Promise.all([post({ events: [bead] }), post({ events: [bead] }), post({ events: [bead] })]);
    for (const answer of answers) expect(await answer.json()).toMatchObject({ kept: [{ id: bead.id }], unknown: [] });
    const { rows } = await withClient(urls().owner, (db) => db.query("select count(*) from studio.visit_event where id = $1", [bead.id]));
    expect(rows[0].count).toBe("1");
  });
  test("a tap for a visit that is not here is named, the others are kept", async () => {
    const good = event("beadWiped", {});
    const lost = { ...event("beadWiped", {}), visitId: crypto.randomUUID() };
    expect(await (await post({ events: [good, lost] })).json()).toMatchObject({ kept: [{ id: good.id }], unknown: [lost.id] });
  });
  const text = (body: unknown) => JSON.stringify(body);
  test.each<[string, () => string, number]>([
    ["cut off", () => '{"events": [', 400],
    ["not JSON", () => "hello", 400],
    ["10 MB", () => `{"events":["${"x".repeat(10_000_000)}"]}`, 413],
    ["no events", () => text({ events: [] }), 400],
    ["words of a person", () => text({ events: [{ ...event("finished", {}), payload: { note: "cried" } }] }), 400],
    ["a bead of a day", () => text({ events: [event("beadPlaced", { lifeS: 86_400, air: null, bottleId: null })] }), 400],
  ])("%s is refused whole", async (_, raw, status) => {
    const answer = await post(null, raw());
    expect(answer.status).toBe(status);
    expect((await answer.json()).message).toMatch(/\w/);
  });
});

test("a visit's clocks hang for the one it was agreed with, and for whoever taps at it", async () => {
  const { runningVisits } = await import("@/features/visit/running");
  const seenBy = async (role: "owner" | "technician" | "trainee") =>
    (await runningVisits(studio.member(role), new Date())).find(({ id }) => id === studio.ids.visit)?.mine;
  // Agreed with the owner; the technician has tapped above; the trainee only works beside them.
  expect(await seenBy("owner")).toBe(true);
  expect(await seenBy("technician")).toBe(true);
  expect(await seenBy("trainee")).toBe(false);
});

describe("a stale tab saving over a newer map", () => {
  test("is told, is shown both, and neither is lost", async () => {
    const { saveMap } = await import("@/features/map/actions");
    const save = (base: number, title: string) =>
      saveMap({ mapId: studio.ids.map, clientId: studio.ids.client, surveyId: studio.ids.survey, base, map: { ...studio.map, title } });
    expect(await save(1, "first tab")).toEqual({ ok: true, data: { state: "saved", revision: 2 } });
    const stale = await save(1, "second tab");
    expect(stale).toMatchObject({ ok: true, data: { state: "newer", revision: 2, theirs: { title: "first tab" } } });
    expect(await save(1, "first tab")).toMatchObject({ data: { state: "saved", revision: 2 } });
    expect(await save(2, "second tab")).toEqual({ ok: true, data: { state: "saved", revision: 3 } });
    const { rows } = await withClient(urls().owner, (db) =>
      db.query("select document->>'title' as title from studio.lash_map_revision where map_id = $1 order by revision", [studio.ids.map]),
    );
    expect(rows.map((row) => row.title)).toEqual(["workers map", "first tab", "second tab"]);
  });
  test("of two saves at the same moment one wins and the other hears of it", async () => {
    const { saveMap } = await import("@/features/map/actions");
    const save = (title: string) =>
      saveMap({ mapId: studio.ids.map, clientId: studio.ids.client, surveyId: studio.ids.survey, base: 3, map: { ...studio.map, title } });
    const outcomes = await Promise.all([save("a"), save("b"), save("c")]);
    expect(outcomes.map((o) => (o.ok ? o.data.state : "refused")).sort()).toEqual(["newer", "newer", "saved"]);
  });
  test("a policy saved on top of a newer one is refused in words", async () => {
    actAs(studio.member("owner"));
    const { savePolicy } = await import("@/features/studio/actions");
    const { defaultPolicy } = await import("@/core/policy");
    expect(await savePolicy({ base: 1, policy: { ...defaultPolicy, stepMm: 1 } })).toMatchObject({ ok: true });
    expect(await savePolicy({ base: 1, policy: defaultPolicy })).toMatchObject({
      ok: false,
      message: expect.stringContaining("changed elsewhere"),
    });
    expect(await savePolicy({ base: 2, policy: { ...defaultPolicy, loadAmber: 2 } })).toMatchObject({
      ok: false,
      fields: { "policy.loadRed": expect.any(String) },
    });
    actAs(studio.member("technician"));
  });
});

describe("people's names", () => {
  test.each(["نورا الشاطئ", "Ünïcödé 🌊👩‍🦰", "O'Brien; drop table studio.client;--", "<script>alert(1)</script>", "x".repeat(120)])(
    "%s is kept as written",
    async (name) => {
      const { addClient } = await import("@/features/clients/actions");
      const { clientForm } = await import("@/features/clients/data");
      const added = await addClient({ id: crypto.randomUUID(), form: { name, contact: "", notes: "" } });
      expect(added.ok).toBe(true);
      if (added.ok) expect((await clientForm(acting(), added.data.id))?.name).toBe(name);
    },
  );
  test.each([
    ["", /name/],
    ["   ", /name/],
    ["x".repeat(121), /120/],
    ["bell\u0007", /control/],
  ])("%j is refused with words", async (name, words) => {
    const { addClient } = await import("@/features/clients/actions");
    expect(await addClient({ id: crypto.randomUUID(), form: { name, contact: "", notes: "" } })).toMatchObject({
      ok: false,
      fields: { "form.name": expect.stringMatching(words) },
    });
  });
  test("a search takes its letters as they are", async () => {
    const { listClients, listFilter } = await import("@/features/clients/list");
    const list = (find: string) => listClients(acting(), listFilter.parse({ find }), new Date());
    expect((await list("%")).clients).toEqual([]);
    expect((await list("نورا")).clients).toHaveLength(1);
  });
});

describe("the hygrometers' intake", () => {
  const send = async (body: unknown, token: string | null = studio.token, raw?: string) => {
    const { POST } = await import("@/app/api/intake/readings/route");
    return POST(
      new Request("http://x/", {
        method: "POST",
        headers: token ? { authorization: `Bearer ${token}` } : {},
        body: raw ?? JSON.stringify(body),
      }),
    );
  };
  const at = (secondsAgo: number) => new Date(Date.now() - secondsAgo * 1000).toISOString();
  const reading = { takenAt: at(100), temperatureC: 21.5, relativeHumidity: 0.44 };

  test("keeps a batch once, however often it is sent", async () => {
    expect(await (await send({ readings: [reading, { ...reading, takenAt: at(90) }] })).json()).toEqual({ kept: 2, known: 0 });
    expect(await (await send({ readings: [reading, { ...reading, takenAt: at(80) }] })).json()).toEqual({ kept: 1, known: 1 });
  });
  test.each([
    ["no token", null],
    ["a wrong token", "ivy_wrong_wrong_wrong_wrong"],
  ])("%s: 401", async (_, token) => expect((await send({ readings: [reading] }, token)).status).toBe(401));
  test.each([
    ["a thousand million degrees", { ...reading, temperatureC: 1e9 }],
    ["negative humidity", { ...reading, relativeHumidity: -0.1 }],
    ["140 %", { ...reading, relativeHumidity: 1.4 }],
    ["per cent for a fraction", { ...reading, relativeHumidity: 44 }],
    ["text for a number", { ...reading, temperatureC: "warm" }],
    ["NaN, as JSON writes it", { ...reading, temperatureC: NaN }],
    ["tomorrow", { ...reading, takenAt: at(-90_000) }],
    ["no time", { temperatureC: 20, relativeHumidity: 0.5 }],
    ["a field nobody knows", { ...reading, battery: 3 }],
    ["air of a broken sensor", { ...reading, relativeHumidity: 1e-320 }],
    ["the year nought", { ...reading, takenAt: "0000-01-01T00:00:00Z" }],
  ])("%s: 400, said where, and nothing of the batch is kept", async (_, bad) => {
    const count = () =>
      withClient(
        urls().owner,
        async (db) => (await db.query("select count(*) from studio.reading where studio_id = $1", [studio.ids.studioId])).rows[0].count,
      );
    const before = await count();
    const answer = await send({ readings: [{ ...reading, takenAt: at(10) }, bad] });
    expect(answer.status).toBe(400);
    expect((await answer.json()).problems[0].where).toMatch(/^readings\.1/);
    expect(await count()).toBe(before);
  });
  test("a body cut off half way, or of 10 MB, is refused", async () => {
    expect((await send(null, studio.token, '{"readings":[{"takenAt"')).status).toBe(400);
    expect((await send(null, studio.token, "x".repeat(10_000_000))).status).toBe(413);
  });
  test("the token is nowhere kept as it is", async () => {
    const { rows } = await withClient(urls().owner, (db) =>
      db.query("select hash from device.token where studio_id = $1", [studio.ids.studioId]),
    );
    expect(rows[0].hash).toMatch(/^[0-9a-f]{64}$/);
    expect(rows[0].hash).not.toContain(studio.token);
  });
  test("too many batches in a minute are slowed down", async () => {
    const statuses = await Promise.all(
      Array.from({ length: 130 }, (_, i) => send({ readings: [{ ...reading, takenAt: at(1000 + i) }] }).then((answer) => answer.status)),
    );
    expect(statuses.filter((status) => status === 429).length).toBeGreaterThan(5);
    expect(statuses.every((status) => status === 200 || status === 429)).toBe(true);
  });
});
