import { createRequire } from "node:module";
import { NOTHING_SO } from "@/core/care";
import { planFor } from "../support/runs";
import { actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, urls, withClient, type TestStudio } from "../support/studios";

// Colour and lift against a real PostgreSQL: the one door a plan comes in by, what is never changed, what goes home.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
type Answer = {
  ok: boolean;
  message?: string;
  fields?: Record<string, string>;
  data?: { visitId?: string; id?: string | null; revision?: number };
};
type Actions = Record<string, (input: unknown) => Promise<Answer>>;
let actions: Actions;
const sql = (text: string, values: unknown[] = []) => withClient(urls().owner, (db) => db.query(text, values));

beforeEach(async () => {
  studio = await makeStudio(`colour ${Math.random()}`);
  // The studio's own fill of today would be extensions on the lashes.
  await sql("delete from studio.visit_event where studio_id = $1", [studio.ids.studioId]);
  actAs(studio.member("technician"));
  actions = {
    ...(await import("@/features/plan/actions")),
    ...(await import("@/features/protocols/actions")),
    ...(await import("@/features/run/actions")),
    ...(await import("@/features/shelf/stockActions")),
    ...(await import("@/features/care/actions")),
    ...(await import("@/features/care/patchTestActions")),
    ...(await import("@/features/visit/actions")),
  } as unknown as Actions;
});

const open = async (kind: string) => {
  const visitId = crypto.randomUUID();
  const opened = await actions.openVisit!({ visitId, clientId: studio.ids.client, service: kind });
  return opened.data!.visitId!;
};
/** A walk-in as it stands where nobody opened it by the door: for what the plan's own door says. */
const walkIn = async (service: string) => {
  const id = crypto.randomUUID();
  const s = studio.ids;
  await sql(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time) values ($1, $2, $3, $4, $5, $6, $7, now(), 60, false)",
    [s.studioId, id, s.client, s.technician, s.room, s.chair, service],
  );
  return id;
};
const plan = (visitId: string, kind: Parameters<typeof planFor>[0], reason = "", over = {}) =>
  actions.planRun!({ visitId, eventId: crypto.randomUUID(), plan: planFor(kind, over), air: null, reason });
const patch = (family: string, result = "clear", daysAgo = 30) =>
  sql(
    `with placed as (
       insert into studio.patch_test (studio_id, id, client_id, family, placed_at) values ($1, gen_random_uuid(), $2, $3, now() - ($4::int + 2) * interval '1 day') returning id)
     insert into studio.patch_reading (studio_id, id, test_id, read_at, result, hour_known) select $1, gen_random_uuid(), id, now() - $4::int * interval '1 day', $5, false from placed`,
    [studio.ids.studioId, studio.ids.client, family, daysAgo, result],
  );
const born = (on: string) => sql("update studio.client set born_on = $2 where studio_id = $1", [studio.ids.studioId, on]);
const sign = (kind: string) =>
  actions.keepConsent!({
    clientId: studio.ids.client,
    service: kind,
    signedName: "A client",
    signedBy: "client",
    signature: "M10 10L20 22",
    onPaper: false,
  });
const events = async (visitId: string, list: { type: string; payload: object; minutesAgo?: number }[]) => {
  const { POST } = await import("@/app/api/visits/events/route");
  return POST(
    new Request("http://127.0.0.1/x", {
      method: "POST",
      body: JSON.stringify({
        events: list.map(({ type, payload, minutesAgo = 0 }) => ({
          id: crypto.randomUUID(),
          visitId,
          at: new Date(Date.now() - minutesAgo * 60_000).toISOString(),
          clock: "checked",
          type,
          payload,
        })),
      }),
    }),
  );
};

/** The consultation asked whole for a service, today. */
const ask = (service: string, over: object = {}) =>
  actions.keepConsultation!({
    id: crypto.randomUUID(),
    clientId: studio.ids.client,
    visitId: null,
    service,
    document: { ...NOTHING_SO, ...over },
    bornOn: "",
  });

test("today's visit for a service is opened once, and again is the same one", async () => {
  await patch("tint");
  await born("1990-01-01");
  const visitId = await open("lashTint");
  expect(await open("lashTint")).toBe(visitId);
  expect(await open("browTint")).not.toBe(visitId);
});

describe("the door a plan comes in by", () => {
  test("no patch test for a tint is a stop that no reason passes; a clear one, age, consultation and consent open it", async () => {
    const visitId = await walkIn("lashTint");
    expect(await plan(visitId, "lashTint", "she insists")).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Patch test for tint: none/),
    });
    await patch("tint");
    await born("2012-01-01");
    expect(await plan(visitId, "lashTint", "her mother is here")).toMatchObject({
      ok: false,
      message: expect.stringMatching(/years old: no lash tint under 16/),
    });
    await born("1990-01-01");
    expect(await plan(visitId, "lashTint")).toMatchObject({ ok: false, fields: { reason: "A reason is needed." } });
    await sign("lashTint");
    expect(await plan(visitId, "lashTint")).toMatchObject({ ok: false, message: expect.stringMatching(/consultation was never asked/) });
    await ask("lashTint");
    expect(await plan(visitId, "lashTint")).toMatchObject({ ok: true });
    const { rows } = await sql("select type from studio.visit_event where visit_id = $1 order by at", [visitId]);
    expect(rows.map(({ type }) => type)).toEqual(["started", "runPlanned"]);
  });
  test("a reaction, a condition that stops, extensions on the lashes, each stops", async () => {
    const visitId = await walkIn("lift");
    await patch("lotion");
    await born("1990-01-01");
    await ask("lift", { conditions: ["inflamed"] });
    expect(await plan(visitId, "lift", "only a little red")).toMatchObject({ ok: false, message: expect.stringMatching(/Inflamed/) });
    await ask("lift");
    expect(await plan(visitId, "lift", "because")).toMatchObject({ ok: true });
    await patch("lotion", "reaction", 1);
    expect(await plan(visitId, "lift", "because")).toMatchObject({ ok: false, message: expect.stringMatching(/Reacted to lift lotion/) });
  });
  test("past the leaflet, for another service, or for nobody, it is refused in words", async () => {
    const visitId = await walkIn("lift");
    expect(await plan(visitId, "lift", "because", { seconds: { "step-1": 481, "step-2": 300 } })).toMatchObject({
      ok: false,
      fields: { "plan.seconds.step-1": expect.stringMatching(/leaflet ends “step 1” at 8 min/) },
    });
    expect(await plan(visitId, "lashTint", "because")).toMatchObject({ ok: false, message: expect.stringMatching(/another service/) });
    expect(await plan(crypto.randomUUID(), "lift", "because")).toMatchObject({ ok: false });
    expect(await plan(studio.ids.visit, "lift", "because")).toMatchObject({ ok: false });
  });
  test("a mix over the lash limit, or from what is not on the shelf, is no plan", async () => {
    const visitId = await walkIn("lashTint");
    await patch("tint");
    await born("1990-01-01");
    const base = {
      version: 1,
      ready: null,
      consistency: "cream",
      densityGMl: 1,
      nozzleMm: null,
      dropsPerGram: null,
      packG: null,
      packPrice: null,
      lifeAfterOpeningDays: null,
    };
    const keep = async (over: object) => (await actions.keepProduct!({ id: null, document: { ...base, ...over } })).data!.id!;
    const shade = await keep({ name: "Shade", kind: "tint", colour: "#332211", peroxide: null });
    const developer = await keep({ name: "Three", kind: "developer", colour: null, peroxide: 0.03 });
    const recipe = (developerAmount: number, from = developer) => ({
      "tint-lashes": {
        colours: [{ productId: shade, parts: 1 }],
        colourAmount: 1,
        colourUnit: "g",
        developers: [{ productId: from, parts: 1 }],
        developerAmount,
        developerUnit: "g",
      },
    });
    const message = async (recipes: object) => (await plan(visitId, "lashTint", "because", { recipes })).message;
    expect(await message(recipe(3))).toMatch(/2\.3\s% peroxide in the mix, over the 2\.0\s% for lashes/);
    expect(await message(recipe(2, crypto.randomUUID()))).toMatch(/no longer on the shelf/);
    expect(await message(recipe(2))).toBeUndefined();
    const { rows } = await sql("select 1 from studio.visit_event where visit_id = $1 and type = 'runPlanned'", [visitId]);
    expect(rows).toHaveLength(1);
  });
  test("a plan sent as a tap is turned away; once something lies on, the plan stands", async () => {
    const visitId = await walkIn("lift");
    const sent = await events(visitId, [{ type: "runPlanned", payload: { plan: planFor("lift"), air: null } }]);
    expect(sent.status).toBe(400);
    await patch("lotion");
    await plan(visitId, "lift", "because");
    expect((await events(visitId, [{ type: "coated", payload: { stepId: "step-1", area: "lashRight" } }])).status).toBe(200);
    expect(await plan(visitId, "lift", "because")).toMatchObject({
      ok: false,
      message: expect.stringMatching(/Something lies on already/),
    });
  });
});

test("a run keeps the protocol it was begun by, whatever becomes of the studio's own", async () => {
  const protocol = planFor("lift").protocol;
  const kept = await actions.keepProtocol!({ id: null, base: 0, document: { ...protocol, name: "Ours" } });
  const visitId = await walkIn("lift");
  await patch("lotion");
  await plan(visitId, "lift", "because", { protocol: { ...protocol, name: "Ours" }, protocolId: kept.data!.id });
  const changed = {
    ...protocol,
    name: "Ours, changed",
    steps: protocol.steps.map((step) => (step.kind === "process" ? { ...step, defaultS: step.leastS } : step)),
  };
  expect(await actions.keepProtocol!({ id: kept.data!.id, base: 1, document: changed })).toMatchObject({ ok: true, data: { revision: 2 } });
  expect(await actions.keepProtocol!({ id: kept.data!.id, base: 1, document: changed })).toMatchObject({
    ok: false,
    message: expect.stringMatching(/changed elsewhere/),
  });
  const { colourVisit } = await import("@/features/run/data");
  const page = await colourVisit(studio.member("technician"), visitId, new Date());
  expect(page!.visit.state.run.plan!.protocol.name).toBe("Ours");
  expect(page!.protocols.map(({ document }) => document.name)).toContain("Ours, changed");
});

test("an impossible protocol is not kept, and the place is named", async () => {
  const protocol = planFor("lift").protocol;
  const reversed = {
    ...protocol,
    steps: protocol.steps.map((step) => (step.id === "step-1" && step.kind === "process" ? { ...step, leastS: 600 } : step)),
  };
  expect(await actions.keepProtocol!({ id: null, base: 0, document: reversed })).toMatchObject({
    ok: false,
    message: expect.stringMatching(/step 3, “step 1”: shortest\. The range is reversed/),
  });
});

test("what was signed, answered or written of an incident cannot be changed or unwritten by the app", async () => {
  await sign("lift");
  for (const table of ["consent", "consultation", "incident"])
    for (const change of [`delete from studio.${table}`, `update studio.${table} set created_at = now()`])
      await expect(withClient(urls().app, (db) => db.query(change))).rejects.toThrow(/permission denied/);
  expect(
    await actions.keepConsent!({
      clientId: studio.ids.client,
      service: "lift",
      signedBy: "client",
      signedName: "A client",
      signature: "",
      onPaper: false,
    }),
  ).toMatchObject({
    ok: false,
    fields: { signature: "Sign on the field first." },
  });
  expect(
    await actions.keepConsent!({
      clientId: studio.ids.client,
      service: "lift",
      signedBy: "client",
      signedName: "A client",
      signature: "<script>",
      onPaper: false,
    }),
  ).toMatchObject({ ok: false });
});

test("a measured product's doses are known from then on; nonsense is refused", async () => {
  expect(await actions.calibrateProduct!({ id: studio.ids.product, how: "drops", drops: 42, grams: 2 })).toMatchObject({ ok: true });
  const { rows } = await sql("select document from studio.product where id = $1", [studio.ids.product]);
  expect(rows[0].document.dropsPerGram).toBe(21);
  expect(await actions.calibrateProduct!({ id: studio.ids.product, how: "drops", drops: 12, grams: 15 })).toMatchObject({
    ok: false,
    message: expect.stringMatching(/Count again/),
  });
  expect(await actions.calibrateProduct!({ id: studio.ids.product, how: "ribbon", lengthCm: 5, grams: 0.98 })).toMatchObject({ ok: true });
});

test("of two edits of a product the second is told, and loses nothing in silence", async () => {
  const { rows } = await sql("select document, revision from studio.product where id = $1", [studio.ids.product]);
  const edit = (name: string, base: number) =>
    actions.keepProduct!({ id: studio.ids.product, base, document: { ...rows[0].document, name } });
  expect(await edit("first", rows[0].revision)).toMatchObject({ ok: true });
  expect(await edit("second", rows[0].revision)).toMatchObject({ ok: false, message: expect.stringMatching(/changed elsewhere/) });
  const { rows: after } = await sql("select document from studio.product where id = $1", [studio.ids.product]);
  expect(after[0].document.name).toBe("first");
  expect(await edit("second", rows[0].revision + 1)).toMatchObject({ ok: true });
});

test("an incident is put off by name, and closing without either is marked on the record", async () => {
  const stopped = async (written: object | null) => {
    const visitId = await walkIn("lift");
    await patch("lotion");
    await born("1990-01-01");
    await plan(visitId, "lift", "because");
    await events(visitId, [
      { type: "coated", payload: { stepId: "step-1", area: "lashRight" } },
      { type: "runStopped", payload: { kind: "splash", rinseS: 900 } },
    ]);
    if (written) expect(await actions.writeIncident!({ id: crypto.randomUUID(), visitId, ...written })).toMatchObject({ ok: true });
    await events(visitId, [{ type: "finished", payload: {} }]);
    const { rows } = await sql("select key from studio.visit_mark where visit_id = $1", [visitId]);
    return rows.map(({ key }) => key as string);
  };
  expect(await stopped(null)).toContain("openIncident");
  expect(await stopped({ words: "Put off by A technician", putOff: true })).not.toContain("openIncident");
});

test("the aftercare card goes home with its dates, as PDF and as text, once the visit is over", async () => {
  const visitId = await walkIn("lift");
  await patch("lotion");
  await plan(visitId, "lift", "because");
  const { GET } = await import("@/app/api/visits/[visitId]/care.txt/route");
  const ask = (get: typeof GET) => get(new Request("http://127.0.0.1/x"), { params: Promise.resolve({ visitId }) });
  expect((await ask(GET)).status).toBe(409);
  await events(visitId, [{ type: "finished", payload: {} }]);
  const text = await (await ask(GET)).text();
  expect(text).toMatch(/^After your lash lift\n/);
  expect(text).toMatch(/before \w+day \d\d:\d\d\./);
  expect(text).toMatch(/Again from \d+ \w+ \d{4}, not sooner\./);
  const { GET: pdf } = await import("@/app/api/visits/[visitId]/care.pdf/route");
  const bytes = Buffer.from(await (await ask(pdf)).arrayBuffer());
  // Read back by another library (pdfjs-dist 5.5.207).
  const pdfjs = await import(createRequire(__filename).resolve("pdfjs-dist/legacy/build/pdf.mjs"));
  const page = await (await pdfjs.getDocument({ data: new Uint8Array(bytes) }).promise).getPage(1);
  const words = (await page.getTextContent()).items
    .map((item: { str: string }) => item.str)
    .join(" ")
    .replace(/\s+/g, " ");
  expect(words).toContain("After your lash lift");
  expect(words).toContain("see a doctor");
});
