import type { VisitEvent } from "@/core/visit";
import { actAs, acting } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
beforeAll(async () => {
  studio = await makeStudio("glue");
  actAs(studio.member("technician"));
});
const query = <T extends object>(sql: string, values: unknown[] = []) =>
  withClient(urls().owner, async (db) => (await db.query<T>(sql, values)).rows);
const air = { temperatureC: 22, relativeHumidity: 0.5 };
const tap = async (type: VisitEvent["type"], payload: unknown, id = crypto.randomUUID() as string) => {
  const { POST } = await import("@/app/api/visits/events/route");
  const event = { id, visitId: studio.ids.visit, at: new Date().toISOString(), clock: "checked", type, payload };
  expect((await POST(new Request("http://x/", { method: "POST", body: JSON.stringify({ events: [event] }) }))).status).toBe(200);
  return id;
};
const known = async () => {
  const { airPage } = await import("@/features/air/data");
  const page = await airPage(acting(), studio.ids.room, new Date(Date.now() - 86_400_000), new Date());
  return page!;
};

test("a set test sent twice is kept once, is learned from, and may be left out and taken in again", async () => {
  const { keepSetTest, leaveTestOut } = await import("@/features/shelf/actions");
  const id = crypto.randomUUID();
  const test = { id, bottleId: studio.ids.bottle, seconds: 1.3, air, leftOut: false };
  expect(await keepSetTest(test)).toMatchObject({ ok: true });
  expect(await keepSetTest(test)).toMatchObject({ ok: true });
  const keptTests = async () => (await known()).knowledge.tests.filter((one) => one.id === id);
  expect(await keptTests()).toMatchObject([{ seconds: 1.3, air, daysOpen: 3, leftOut: false }]);
  expect(await leaveTestOut({ id, leftOut: true })).toMatchObject({ ok: true });
  expect((await keptTests())[0]!.leftOut).toBe(true);
  expect(await leaveTestOut({ id, leftOut: false })).toMatchObject({ ok: true });
});

test.each([
  ["no time at all", { seconds: 0 }],
  ["a forgotten stopwatch", { seconds: 4000 }],
  ["impossible air", { air: { temperatureC: 22, relativeHumidity: 1.5 } }],
  ["air with more in it than air", { air: { ...air, takenAt: "now" } }],
])("%s is refused in words", async (_, change) => {
  const { keepSetTest } = await import("@/features/shelf/actions");
  expect(
    await keepSetTest({ id: crypto.randomUUID(), bottleId: studio.ids.bottle, seconds: 1, air, leftOut: false, ...change }),
  ).toMatchObject({
    ok: false,
    message: expect.stringMatching(/\w/),
  });
});

test("a lash timed at the chair is a set test like any other; taken back it is left out", async () => {
  const id = await tap("setTested", { seconds: 2.2, air, bottleId: studio.ids.bottle });
  await tap("setTested", { seconds: 2.2, air, bottleId: studio.ids.bottle }, id);
  const rows = () => query<{ left_out: boolean }>("select left_out from studio.set_test where id = $1", [id]);
  expect(await rows()).toEqual([{ left_out: false }]);
  await tap("undone", { eventId: id });
  expect(await rows()).toEqual([{ left_out: true }]);
});

test("an undone takes back what was tapped at its own visit, and no other test of the studio", async () => {
  const other = crypto.randomUUID();
  const rows = (id: string) => query<{ left_out: boolean }>("select left_out from studio.set_test where id = $1", [id]);
  await query(
    `insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time)
     select studio_id, $1, client_id, technician_id, room_id, chair_id, service, starts_at - interval '30 days', minutes, false from studio.visit where id = $2`,
    [other, studio.ids.visit],
  );
  const id = await tap("setTested", { seconds: 2.4, air, bottleId: studio.ids.bottle });
  const { POST } = await import("@/app/api/visits/events/route");
  for (const eventId of [id, studio.ids.setTest]) {
    const event = {
      id: crypto.randomUUID(),
      visitId: other,
      at: new Date().toISOString(),
      clock: "checked",
      type: "undone",
      payload: { eventId },
    };
    await POST(new Request("http://x/", { method: "POST", body: JSON.stringify({ events: [event] }) }));
    await tap("undone", { eventId: studio.ids.setTest });
    expect(await rows(eventId)).toEqual([{ left_out: false }]);
  }
});

test("a hand's times are its own", async () => {
  const { keepHandTime } = await import("@/features/shelf/actions");
  expect(await keepHandTime({ id: crypto.randomUUID(), technique: "fan", seconds: 1.9 })).toMatchObject({ ok: true });
  expect((await known()).knowledge.hand.fan).toEqual([1.9]);
  actAs(studio.member("trainee"));
  expect((await known()).knowledge.hand.fan).toEqual([]);
  actAs(studio.member("technician"));
});

test("drops left are counted from the beads put out, those taken back left out", async () => {
  const beads = async () => (await known()).bottles.find(({ id }) => id === studio.ids.bottle)!.beads;
  const before = await beads();
  const bead = { lifeS: 900, air, bottleId: studio.ids.bottle };
  await tap("beadPlaced", bead);
  const slip = await tap("beadPlaced", bead);
  expect(await beads()).toBe(before + 2);
  await tap("undone", { eventId: slip });
  expect(await beads()).toBe(before + 1);
});

test("a brush that was counted teaches the hand's own rate", async () => {
  const { visitPage } = await import("@/features/chair/page");
  await tap("checked", { off: 4, of: 30 });
  await tap("checked", { off: null, of: null });
  const page = await visitPage(acting(), studio.ids.visit, new Date());
  expect(page!.brushes).toEqual([{ off: 4, of: 30 }]);
  // A count that was taken back teaches nothing.
  await tap("undone", { eventId: await tap("checked", { off: 9, of: 10 }) });
  expect((await visitPage(acting(), studio.ids.visit, new Date()))!.brushes).toEqual([{ off: 4, of: 30 }]);
});

test("the day's visits are told which bottle to take and what to switch on when", async () => {
  const { dayPage } = await import("@/features/today/data");
  const { todayIn } = await import("@/server/studioTime");
  // A dry room now, and a visit about to begin, with a bottle that wants 30 to 60 %.
  const visit = crypto.randomUUID();
  const s = studio.ids;
  const now = new Date();
  await query(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time) values ($1, $2, $3, $4, $5, $7, 'fill', $6, 90, false)",
    [s.studioId, visit, s.client, s.technician, s.room, now, s.chair],
  );
  await query(
    "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, $4, 22, 0.22)",
    [s.studioId, s.sensor, s.room, new Date(now.getTime() - 30_000)],
  );
  const wish = (await dayPage(acting(), todayIn(acting().timeZone, now), now)).visits.find((one) => one.visit.id === visit)!.wish!;
  expect(wish.bottle!.id).toBe(s.bottle);
  expect(wish.needs).toMatchObject({ machine: "humidifier", target: { relativeHumidity: expect.closeTo(0.32, 6) } });
  expect(wish.needs!.switchOnHour).not.toBeNull();
});

test("drops are counted through the day in order of time, whoever works and in whatever room", async () => {
  const { dayPage } = await import("@/features/today/data");
  const { todayIn } = await import("@/server/studioTime");
  const day = await makeStudio("a day of drops");
  actAs(day.member("owner"));
  const s = day.ids;
  await query("update studio.adhesive set document = document || '{\"dropsIn\": 100}' where studio_id = $1", [s.studioId]);
  // Noon in the studio's zone, so that no visit falls out of the day.
  const noon = new Date(`${new Date().toISOString().slice(0, 10)}T12:00:00Z`);
  const put = async (hours: number, technician: string, minutes: number) => {
    const id = crypto.randomUUID();
    await query(
      "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time) values ($1, $2, $3, $4, $5, $8, 'fill', $6, $7, false)",
      [s.studioId, id, s.client, technician, s.room, new Date(noon.getTime() + hours * 3_600_000), minutes, s.chair],
    );
    return id;
  };
  // Air of that noon, whatever hour it is while this runs.
  await query(
    "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, $4, 22, 0.5)",
    [s.studioId, s.sensor, s.room, new Date(noon.getTime() - 60_000)],
  );
  const third = await put(3, s.owner, 60);
  const first = await put(1, s.owner, 120);
  const second = await put(2, s.technician, 90);
  const { visits } = await dayPage(acting(), todayIn(acting().timeZone, noon), noon);
  const left = [first, second, third].map((id) => visits.find(({ visit }) => visit.id === id)!.wish!.drops!);
  // A bead each quarter of an hour in air that shortens none (common practice).
  expect(left).toEqual([
    { left: 100, wanted: 8 },
    { left: 92, wanted: 6 },
    { left: 86, wanted: 4 },
  ]);
  actAs(studio.member("technician"));
});
