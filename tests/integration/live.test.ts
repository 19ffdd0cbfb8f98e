import type { LiveMessage } from "@/server/live";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

pointAppAtTests();

/** The one connection of a copy of the app that listens to the database, and whom it tells what. */
let ours: TestStudio;
let theirs: TestStudio;
let stops: (() => void)[] = [];
beforeAll(async () => {
  ours = await makeStudio("live ours");
  theirs = await makeStudio("live theirs");
});
afterEach(async () => {
  for (const stop of stops) stop();
  stops = [];
  await allGone();
});
const listen = async (studio: TestStudio) => {
  const { live } = await import("@/server/live");
  const heard: LiveMessage[] = [];
  stops.push(live().watch(studio.ids.studioId, (message) => heard.push(message)));
  return heard;
};
const until = async (done: () => boolean, what: string) => {
  for (let i = 0; i < 100; i++) {
    if (done()) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`within five seconds there was no ${what}`);
};
const query = (sql: string, values: unknown[] = []) => withClient(urls().owner, (db) => db.query(sql, values));
const reads = ({ ids }: TestStudio) =>
  query(
    "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, clock_timestamp(), 21, 0.5)",
    [ids.studioId, ids.sensor, ids.room],
  );
const taps = ({ ids }: TestStudio) =>
  query(
    "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, $3, now(), 'checked', 'beadWiped', '{}', $4)",
    [ids.studioId, ids.visit, crypto.randomUUID(), ids.owner],
  );
const connections = async () =>
  (await query("select pid from pg_stat_activity where application_name = 'ivy live'")).rows.map(({ pid }) => Number(pid));
async function allGone() {
  for (let i = 0; i < 60 && (await connections()).length > 0; i++) await new Promise((resolve) => setTimeout(resolve, 50));
}

test("a reading and a tap are told to their own studio, once for a batch, and to nobody else", async () => {
  const [heard, others] = [await listen(ours), await listen(theirs)];
  await until(() => heard.length > 0, "first word");
  expect(heard).toEqual([{ kind: "missed" }]);
  await reads(ours);
  await taps(ours);
  await until(() => heard.length >= 3, "reading and tap");
  expect(heard.slice(1)).toEqual([
    { kind: "air", id: ours.ids.room },
    { kind: "visit", id: ours.ids.visit, seq: expect.any(Number) },
  ]);
  expect(others).toEqual([{ kind: "missed" }]);
});

test("many watchers share one connection, which is given up with the last of them", async () => {
  const all = await Promise.all([listen(ours), listen(ours), listen(theirs)]);
  await until(() => all[0]!.length > 0, "first word");
  expect(await connections()).toHaveLength(1);
  for (const stop of stops) stop();
  await allGone();
  expect(await connections()).toEqual([]);
});

test("a connection the database broke is made again, and watchers are told that they may have missed something", async () => {
  const heard = await listen(ours);
  await until(() => heard.length > 0, "first word");
  const [pid] = await connections();
  // A role may end its own connections.
  await withClient(urls().app, (db) => db.query("select pg_terminate_backend($1)", [pid]));
  await until(() => heard.filter(({ kind }) => kind === "missed").length === 2, "word of what may be missed");
  await reads(ours);
  await until(() => heard.some(({ kind }) => kind === "air"), "reading after the break");
  expect((await connections())[0]).not.toBe(pid);
});

test("what is no message of ours is passed over", async () => {
  const heard = await listen(ours);
  await until(() => heard.length > 0, "first word");
  for (const payload of ["", "not json", "{}", JSON.stringify({ studio: ours.ids.studioId, kind: "gossip", id: ours.ids.room })])
    await query("select pg_notify('ivy_live', $1)", [payload]);
  await taps(ours);
  await until(() => heard.length >= 2, "tap");
  expect(heard.slice(1)).toEqual([{ kind: "visit", id: ours.ids.visit, seq: expect.any(Number) }]);
});
