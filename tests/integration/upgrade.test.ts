import { randomUUID } from "node:crypto";
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import pg from "pg";
import { migrateDatabase } from "@/db/migrate";
import { urls } from "../support/studios";

/**
 * A studio that has worked with an older version keeps its readings through an upgrade: the first two migrations, readings
 * of a hygrometer and typed ones (which had no source then), then all of them.
 */
const OLDER_STEPS = 2;
let db: pg.Client;
let olderFolder: string;
const [studioA, studioB] = [randomUUID(), randomUUID()];
const [front, back, other] = [randomUUID(), randomUUID(), randomUUID()];
const sensor = randomUUID();
const [client, visit, bead, bottle] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];

async function migrateTo(steps: number) {
  olderFolder = mkdtempSync(path.join(os.tmpdir(), "ivy-older-"));
  cpSync(path.join(process.cwd(), "src/db/migrations"), olderFolder, { recursive: true });
  const journal = path.join(olderFolder, "meta/_journal.json");
  const known = JSON.parse(readFileSync(journal, "utf8")) as { entries: unknown[] };
  writeFileSync(journal, JSON.stringify({ ...known, entries: known.entries.slice(0, steps) }));
  await migrate(drizzle(db, { casing: "snake_case" }), { migrationsFolder: olderFolder, migrationsSchema: "migrations" });
}
const ask = async <T extends object>(sql: string, values: unknown[] = []) => (await db.query<T & pg.QueryResultRow>(sql, values)).rows;
const readBy = (source: string | null, studio: string, room: string, at: string, humidity: number) =>
  ask(
    "insert into studio.reading (studio_id, id, room_id, sensor_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, $4, $5, 21, $6)",
    [studio, randomUUID(), room, source, at, humidity],
  );

/** One second after another: two of one millisecond have no order of their own. */
let taps = 0;
const tapped = (id: string, type: string, payload: object) =>
  ask(
    `insert into studio.visit_event (studio_id, visit_id, id, at, server_time, clock, type, payload, member_id)
     select $1, $2, $3, t, t, 'checked', $4, $5, $2 from (select now() + make_interval(secs => $6) as t) n`,
    [studioA, visit, id, type, JSON.stringify(payload), taps++],
  );

beforeAll(async () => {
  db = new pg.Client({ connectionString: urls().empty });
  await db.connect();
  await migrateTo(OLDER_STEPS);
  for (const id of [studioA, studioB])
    await ask("insert into studio.studio (studio_id, name, time_zone) values ($1, 'older', 'Europe/London')", [id]);
  for (const [studio, id] of [
    [studioA, front],
    [studioA, back],
    [studioB, other],
  ])
    await ask("insert into studio.room (studio_id, id, name, volume_m3) values ($1, $2, 'room', 30)", [studio, id]);
  await ask("insert into studio.sensor (studio_id, id, room_id, name) values ($1, $2, $3, 'shelf')", [studioA, sensor, front]);
  await readBy(sensor, studioA, front, "2026-03-02T09:00:10Z", 0.41);
  await readBy(sensor, studioA, front, "2026-03-02T09:00:40Z", 0.43);
  await readBy(null, studioA, front, "2026-03-02T09:05:00Z", 0.5);
  await readBy(null, studioA, front, "2026-03-02T09:07:00Z", 0.52);
  // The same to a thousandth of a second, which is as fine as a reading is known by from now on.
  await readBy(null, studioA, back, "2026-03-02T09:05:00.0001Z", 0.6);
  await readBy(null, studioA, back, "2026-03-02T09:05:00.0002Z", 0.6);
  await readBy(null, studioB, other, "2026-03-02T09:05:00Z", 0.7);
  await ask("insert into studio.client (studio_id, id, name) values ($1, $2, 'client')", [studioA, client]);
  await ask(
    "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair, service, starts_at, minutes) values ($1, $2, $3, $3, $4, 1, 'fill', now(), 90)",
    [studioA, visit, client, front],
  );
  await tapped(bead, "beadPlaced", { lifeS: 900, air: null, bottleId: bottle });
  await tapped(randomUUID(), "beadPlaced", { lifeS: 900, air: null, bottleId: null });
  await tapped(randomUUID(), "undone", { eventId: bead });
  await migrateDatabase(urls().empty);
});
afterAll(async () => {
  await db.end();
  rmSync(olderFolder, { recursive: true, force: true });
});

test("typed readings get a source of their own, one a room, in their own studio", async () => {
  expect(
    await ask(
      `select r.studio_id as studio, r.room_id as room, s.kind, count(*)::int as n from studio.reading r
       join studio.sensor s on s.studio_id = r.studio_id and s.id = r.sensor_id and s.room_id = r.room_id group by 1, 2, 3 order by n desc, kind`,
    ),
  ).toEqual(
    expect.arrayContaining([
      { studio: studioA, room: front, kind: "device", n: 2 },
      { studio: studioA, room: front, kind: "hand", n: 2 },
      { studio: studioA, room: back, kind: "hand", n: 1 },
      { studio: studioB, room: other, kind: "hand", n: 1 },
    ]),
  );
  expect(await ask("select 1 from studio.sensor")).toHaveLength(4);
});

test("nothing that was read is changed or lost", async () => {
  expect(
    await ask("select relative_humidity as rh from studio.reading where studio_id = $1 and room_id = $2 order by taken_at", [
      studioA,
      front,
    ]),
  ).toEqual([{ rh: 0.41 }, { rh: 0.43 }, { rh: 0.5 }, { rh: 0.52 }]);
});

test("the years before are rolled up like what comes now", async () => {
  expect(await ask("select device.roll_up(100) as settled")).toEqual([{ settled: 4 }]);
  expect(await ask("select readings, relative_humidity as rh from studio.reading_minute where sensor_id = $1", [sensor])).toEqual([
    { readings: 2, rh: 0.42 },
  ]);
  expect(await ask("select sum(readings)::int as n from studio.reading_hour")).toEqual([{ n: 6 }]);
});

test("older taps are numbered as they came, and what their visit came to stands beside it: the bead was taken back", async () => {
  expect(await ask("select type, seq, version from studio.visit_event order by seq")).toEqual([
    { type: "beadPlaced", seq: 1, version: 1 },
    { type: "beadPlaced", seq: 2, version: 1 },
    { type: "undone", seq: 3, version: 1 },
  ]);
  expect(await ask("select through_seq, jsonb_array_length(state->'set'->'beads') as beads from studio.visit_outcome")).toEqual([
    { through_seq: 3, beads: 1 },
  ]);
  expect(await ask("select lot_id from studio.visit_lot")).toEqual([]);
  expect(await ask("select last_seq from studio.visit where last_seq > 0")).toEqual([{ last_seq: 3 }]);
});
