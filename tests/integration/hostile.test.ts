import { PassThrough } from "node:stream";
import { actAs } from "../support/memberAs";
import { makeStudio, pointAppAtTests, urls, withClient, type TestStudio } from "../support/studios";

// Hostile input by the hundred, at every door that takes data: no 5xx, nothing half kept, nothing of it in a log.

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

const logged: string[] = [];
jest.mock("@/server/log", () => {
  const pino = jest.requireActual("pino") as typeof import("pino").default;
  const stream = new PassThrough();
  stream.on("data", (line: Buffer) => logged.push(line.toString()));
  return { log: pino({ level: "trace" }, stream) };
});

let studio: TestStudio;
const sql = (text: string, values: unknown[] = []) => withClient(urls().owner, (db) => db.query(text, values));
const uuid = () => crypto.randomUUID();
beforeAll(async () => {
  studio = await makeStudio("hostile");
  actAs(studio.member("technician"));
});

/** Words that must be found in no log. */
const SECRET = "Ottoline Secretname +44 7700 900123";
const TEXTS = [
  "\u0000",
  "a\u0000b",
  "\ud800",
  "x\udc00y",
  SECRET,
  "'; drop table studio.client; --",
  "<script>alert(1)</script>",
  "‮",
  "𝕏".repeat(500),
  "",
];
const TIMES = [
  "0000-01-01T00:00:00.000Z",
  "0000-01-01T00:00:00Z",
  "9999-12-31T23:59:59.999Z",
  "+275760-09-13T00:00:00.000Z",
  "2026-11-25T10:00:00+23:59",
  "2026-11-25T10:00:00-23:59",
  "2026-02-30T10:00:00.000Z",
  "yesterday",
  "",
  "\u0000",
];
const NUMBERS = [1e-320, 5e-324, 1e308, -0, -1, 0, Number.MAX_SAFE_INTEGER, 0.1 + 0.2];

const counts: Record<string, number> = {};
const rows = async (table: string) =>
  (await sql(`select count(*)::int as n from studio.${table} where studio_id = $1`, [studio.ids.studioId])).rows[0].n as number;

async function sendEvents(events: unknown[], headers: Record<string, string> = {}) {
  const { POST } = await import("@/app/api/visits/events/route");
  return POST(new Request("http://127.0.0.1/x", { method: "POST", headers, body: JSON.stringify({ events }) }));
}
async function sendReadings(body: unknown) {
  const { POST } = await import("@/app/api/intake/readings/route");
  return POST(
    new Request("http://127.0.0.1/x", { method: "POST", headers: { authorization: `Bearer ${studio.token}` }, body: JSON.stringify(body) }),
  );
}
const event = (over: object) => ({
  id: uuid(),
  visitId: studio.ids.visit,
  at: "2026-11-25T10:00:00.000Z",
  clock: "device",
  type: "beadWiped",
  payload: {},
  ...over,
});

test("taps: whatever stands in them, each is kept or refused in words, and a good one beside it is kept", async () => {
  const bad = [
    ...TIMES.map((at) => event({ at })),
    ...TEXTS.map((stepId) => event({ type: "taskDone", payload: { stepId: stepId.padEnd(32, "x") } })),
    ...TEXTS.map((text) => event({ id: text })),
    ...TEXTS.map((text) => event({ visitId: text })),
    ...TEXTS.map((type) => event({ type })),
    ...TEXTS.map((note) => event({ payload: { note } })),
    ...NUMBERS.map((seconds) =>
      event({ type: "setTested", payload: { seconds, air: { temperatureC: 21, relativeHumidity: seconds }, bottleId: studio.ids.bottle } }),
    ),
    ...NUMBERS.map((lifeS) => event({ type: "beadPlaced", payload: { lifeS: lifeS + 0.5, air: null, bottleId: null } })),
    ...[null, 7, "x", [], {}, { deep: Array.from({ length: 3 }) }].map((one) => one),
  ];
  counts.taps = bad.length;
  for (const one of bad) {
    const good = event({});
    const answer = await sendEvents([one, good]);
    expect([one, answer.status]).toEqual([one, 200]);
    const { kept, refused, unknown } = (await answer.json()) as { kept: { id: string }[]; refused: { why: string }[]; unknown: string[] };
    expect([one, kept.some(({ id }) => id === good.id)]).toEqual([one, true]);
    expect([one, refused.length + unknown.length + kept.length]).toEqual([one, 2]);
    for (const { why } of refused) expect(why.length).toBeGreaterThan(5);
  }
});

test("batches that can never be kept are answered 400 in words, and not one tap of them is kept", async () => {
  const before = await rows("visit_event");
  for (const at of TIMES) {
    const answer = await sendEvents([event({ at })]);
    if (answer.status !== 200) expect([at, answer.status, (await answer.json()).message.length > 5]).toEqual([at, 400, true]);
  }
  for (const body of [{}, { events: "x" }, [], null, 7]) {
    const { POST } = await import("@/app/api/visits/events/route");
    const answer = await POST(new Request("http://127.0.0.1/x", { method: "POST", body: JSON.stringify(body) }));
    expect(answer.status).toBe(400);
  }
  expect(await rows("visit_event")).toBe(before);
});

test("readings: no figure and no time stops the intake, and a batch is kept whole or not at all", async () => {
  const reading = (over: object) => ({
    takenAt: new Date(Date.now() - 60_000 - Math.random() * 1e6).toISOString(),
    temperatureC: 21,
    relativeHumidity: 0.5,
    ...over,
  });
  const bad = [
    ...TIMES.map((takenAt) => ({ readings: [reading({}), reading({ takenAt })] })),
    ...TIMES.map((sentAt) => ({ sentAt, readings: [reading({})] })),
    ...NUMBERS.map((relativeHumidity) => ({ readings: [reading({}), reading({ relativeHumidity })] })),
    ...NUMBERS.map((temperatureC) => ({ readings: [reading({}), reading({ temperatureC: temperatureC * 1e3 + 61 })] })),
    ...TEXTS.map((text) => ({ readings: [reading({ [text]: 1 })] })),
    ...[null, 7, [], {}, { readings: [] }, { readings: [null] }].map((one) => one),
  ];
  counts.batches = bad.length;
  for (const body of bad) {
    const before = await rows("reading");
    const answer = await sendReadings(body);
    expect([body, [200, 400].includes(answer.status)]).toEqual([body, true]);
    if (answer.status === 400) expect([body, await rows("reading")]).toEqual([body, before]);
  }
});

test("an offset that the database does not know is the moment it means", async () => {
  const at = new Date(Date.now() - 3_600_000);
  const offset = new Date(at.getTime() + (23 * 60 + 59) * 60_000).toISOString().replace("Z", "+23:59");
  expect((await sendReadings({ readings: [{ takenAt: offset, temperatureC: 21, relativeHumidity: 0.5 }] })).status).toBe(200);
  const { rows: readings } = await sql("select 1 from studio.reading where studio_id = $1 and taken_at = $2", [studio.ids.studioId, at]);
  expect(readings).toHaveLength(1);
});

test("words of every kind to the actions: kept as they are, or refused in words", async () => {
  const actions = {
    ...(await import("@/features/clients/actions")),
    ...(await import("@/features/care/actions")),
    ...(await import("@/features/care/patchTestActions")),
    ...(await import("@/features/visit/actions")),
  };
  const tries = TEXTS.flatMap((text) => [
    () => actions.addClient({ id: crypto.randomUUID(), form: { name: text, contact: text, notes: text, bornOn: "" } }),
    () => actions.findClients({ search: text }),
    () => actions.cancel({ id: studio.ids.visit, why: text, back: false }),
    () => actions.giveReason({ visitId: studio.ids.visit, reason: text }),
    () =>
      actions.placePatchTest({
        id: uuid(),
        clientId: studio.ids.client,
        family: "tint",
        productId: text,
        day: "2026-01-01",
        time: "10:00",
        leaflet24: false,
      }),
    () =>
      actions.book({
        id: uuid(),
        clientId: studio.ids.client,
        service: text,
        technicianId: studio.ids.owner,
        chairId: studio.ids.chair,
        day: text,
        time: text,
        minutes: 60,
      }),
  ]);
  counts.actions = tries.length;
  for (const go of tries) {
    const answer = await go();
    if (!answer.ok) expect(answer.message).not.toMatch(/That did not go through/);
  }
});

test("a file of readings with lines from nowhere is read or refused in words", async () => {
  const { POST } = await import("@/app/api/rooms/[roomId]/table/route");
  const files = [
    ...TIMES.map((at) => `time,temp,hum\n${at},21,50\n2026-11-20 10:00,21,50\n`),
    ...TEXTS.map((text) => `time,temp,hum,${text}\n2026-11-20 10:00,21,50,${text}\n`),
    ...NUMBERS.map((n) => `time,temp,hum\n2026-11-20 10:00,${n},${n}\n`),
  ];
  counts.files = files.length;
  for (const file of files) {
    const answer = await POST(new Request("http://127.0.0.1/x", { method: "POST", headers: { "content-type": "text/csv" }, body: file }), {
      params: Promise.resolve({ roomId: studio.ids.room }),
    });
    expect([file, answer.status < 500]).toEqual([file, true]);
  }
});

describe("one bad hour holds up no other", () => {
  test("a reading of 1e-320 that stands from before is left out, and every other hour is settled", async () => {
    const { rollUp } = await import("@/server/jobs");
    const broken = await makeStudio("a broken sensor");
    await rollUp();
    await sql("alter table studio.reading drop constraint reading_possible");
    const at = (hoursAgo: number) => new Date(Math.floor(Date.now() / 3_600_000) * 3_600_000 - hoursAgo * 3_600_000 + 60_000);
    for (const [hoursAgo, humidity] of [
      [30, 1e-320],
      [31, 0.4],
      [32, 0.5],
    ] as const)
      await sql(
        "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, $4, 21, $5)",
        [broken.ids.studioId, broken.ids.sensor, broken.ids.room, at(hoursAgo), humidity],
      );
    await sql(
      "alter table studio.reading add constraint reading_possible check (temperature_c >= -20 and temperature_c <= 60 and relative_humidity >= 0.01 and relative_humidity <= 1) not valid",
    );
    await rollUp();
    const { rows: owed } = await sql("select 1 from device.owed where studio_id = $1", [broken.ids.studioId]);
    expect(owed).toEqual([]);
    const { rows: hours } = await sql(
      "select relative_humidity as rh from studio.reading_hour where sensor_id = $1 and at < now() - interval '29 hours' order by at",
      [broken.ids.sensor],
    );
    expect(hours.map(({ rh }) => rh)).toEqual([0.5, 0.4]);
    await expect(
      sql(
        "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, now(), 21, 0.009)",
        [broken.ids.studioId, broken.ids.sensor, broken.ids.room],
      ),
    ).rejects.toThrow(/reading_possible/);
  });
  test("an hour that cannot be settled at all is put off, and the rest goes on", async () => {
    const { rollUp } = await import("@/server/jobs");
    const other = await makeStudio("beside the hostile");
    await sql("delete from device.owed");
    // A figure that no column of a roll-up holds: the hour fails whatever is done.
    await sql(
      "alter table studio.reading_hour add constraint made_to_fail check (readings < 2 or studio_id <> '" +
        studio.ids.studioId +
        "') not valid",
    );
    try {
      const hour = (studioId: string, sensor: string, room: string, minutes: number[]) =>
        Promise.all(
          minutes.map((minute) =>
            sql(
              "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, date_trunc('hour', now()) - interval '50 hours' + $4 * interval '1 minute', 21, 0.5)",
              [studioId, sensor, room, minute],
            ),
          ),
        );
      await hour(studio.ids.studioId, studio.ids.sensor, studio.ids.room, [1, 2]);
      await hour(other.ids.studioId, other.ids.sensor, other.ids.room, [1, 2]);
      await rollUp();
      const { rows: settled } = await sql(
        "select readings from studio.reading_hour where studio_id = $1 and at < now() - interval '49 hours'",
        [other.ids.studioId],
      );
      expect(settled).toEqual([{ readings: 2 }]);
      const { rows: owed } = await sql("select since > now() + interval '50 minutes' as later from device.owed where studio_id = $1", [
        studio.ids.studioId,
      ]);
      expect(owed).toEqual([{ later: true }]);
    } finally {
      await sql("alter table studio.reading_hour drop constraint made_to_fail");
    }
  });
});

describe("posts from another site's page", () => {
  test.each([
    ["another port of this machine", { origin: "http://127.0.0.1:4999", "sec-fetch-site": "same-site" }, 403],
    ["another site", { origin: "https://elsewhere.example", "sec-fetch-site": "cross-site" }, 403],
    ["an old browser's, by its origin alone", { origin: "http://127.0.0.1:4999" }, 403],
    ["no origin, and its site said", { "sec-fetch-site": "cross-site" }, 403],
    ["a sandboxed frame", { origin: "null" }, 403],
    ["our own page", { origin: "http://127.0.0.1:9", "sec-fetch-site": "same-origin" }, 200],
    ["our own page by the machine's other name", { origin: "http://localhost:9" }, 200],
    ["what is no browser", {}, 200],
  ])("%s", async (_, headers, status) => {
    const one = event({});
    const answer = await sendEvents([one], headers as Record<string, string>);
    expect(answer.status).toBe(status);
    expect((await sql("select 1 from studio.visit_event where id = $1", [one.id])).rows).toHaveLength(status === 200 ? 1 : 0);
  });
});

describe("what goes into a log", () => {
  test("a query that fails tells its code and place, and none of its words", async () => {
    const { inStudio } = await import("@/server/inStudio");
    const { client } = await import("@/db/schema");
    const { action } = await import("@/server/action");
    const { z } = await import("zod");
    logged.length = 0;
    const put = action({ input: z.string() }, (me, name) =>
      // The same id twice: the second fails, with the name among its parameters.
      inStudio(me, async (tx) => {
        await tx.insert(client).values({ studioId: me.studioId, id: studio.ids.client, name, notes: "scrypt$hash$of$a$password" });
      }),
    );
    const answer = await put(SECRET);
    expect(answer).toMatchObject({ ok: false, message: expect.stringMatching(/\([0-9a-f]{8}\)$/) });
    const text = logged.join("");
    expect(text).toContain("23505");
    expect(text).toContain("client_studio_id_id_pk");
    expect(text).toMatch(/inStudio|hostile\.test/);
    for (const word of ["Ottoline", "900123", "scrypt", "insert into"]) expect(text).not.toContain(word);
  });
  test("an error that quotes what was sent leaves the quote out", async () => {
    const { withoutWords } = await import("@/server/withoutWords");
    let error: unknown;
    try {
      JSON.parse(`{"name": ${SECRET}`);
    } catch (caught) {
      error = caught;
    }
    expect(JSON.stringify(withoutWords(error))).not.toContain("Ottoline");
    expect(withoutWords(error).name).toBe("SyntaxError");
    expect(withoutWords(error).at.length).toBeGreaterThan(0);
    expect(withoutWords("text")).toEqual({ name: "string", at: [] });
  });
  test("after all of the above, no log holds a word of what was sent", () => {
    const text = logged.join("");
    for (const word of ["Ottoline", "900123", "drop table", "alert(1)", "hostile client"]) expect(text).not.toContain(word);
  });
});

afterAll(() => {
  const all = Object.values(counts).reduce((sum, n) => sum + n, 0);
  process.stdout.write(
    `Hostile input tried: ${Object.entries(counts)
      .map(([what, n]) => `${n} ${what}`)
      .join(", ")}; ${all} in all.\n`,
  );
});
