import { randomUUID } from "node:crypto";
import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import os from "node:os";
import path from "node:path";
import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import pg from "pg";
import { patchTestStanding, upgradeConsultation } from "@/core/care";
import { isByProtocol } from "@/core/service";
import { outcomeOf, pastService, visitState, type KeptEvent } from "@/core/visit";
import { migrateDatabase } from "@/db/migrate";
import { planFor } from "../support/runs";
import { urls } from "../support/studios";

/**
 * A studio that has worked with the version before bookings were kept by the database: running and finished visits, chairs by
 * number, services by name, patch tests by day. It comes up and reads the same.
 */
const OLDER_STEPS = 5;
/** The last of the versions that kept bottles and packs apart. */
const TWO_TABLES_STEPS = 11;
let db: pg.Client;
let folder: string;
const url = () => urls().beforeBookings;
const s = randomUUID();
const [client, maren, front, back] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
const ids = {
  done: randomUUID(),
  running: randomUUID(),
  colour: randomUUID(),
  next: randomUUID(),
  twin: randomUUID(),
  later: randomUUID(),
};
const shelf = { adhesive: randomUUID(), bottle: randomUUID(), product: randomUUID(), batch: randomUUID() };
let lotsAfter: object[];
const EVENTS: { visit: string; minutesAgo: number; type: string; payload: object }[] = [
  { visit: ids.done, minutesAgo: 20 * 1440, type: "started", payload: { bottleId: null, air: null } },
  { visit: ids.done, minutesAgo: 20 * 1440 - 30, type: "beadPlaced", payload: { lifeS: 900, air: null, bottleId: null } },
  { visit: ids.done, minutesAgo: 20 * 1440 - 90, type: "finished", payload: {} },
  { visit: ids.running, minutesAgo: 40, type: "started", payload: { bottleId: null, air: null } },
  { visit: ids.running, minutesAgo: 10, type: "beadPlaced", payload: { lifeS: 900, air: null, bottleId: null } },
  { visit: ids.colour, minutesAgo: 30, type: "started", payload: { bottleId: null, air: null } },
  { visit: ids.colour, minutesAgo: 29, type: "runPlanned", payload: { plan: older(planFor("lift")), air: null } },
  { visit: ids.colour, minutesAgo: 5, type: "coated", payload: { stepId: "step-1", area: "lashRight" } },
];
/** A plan as it was kept then: with the room's warmth, and a factor for it. */
function older(plan: ReturnType<typeof planFor>): object {
  return {
    ...plan,
    pace: { ...plan.pace, roomC: 21.5 },
    protocol: {
      ...plan.protocol,
      steps: plan.protocol.steps.map((step) => (step.kind === "process" ? { ...step, speeds: { ...step.speeds, perDegree: 0.98 } } : step)),
    },
  };
}
const ask = async <T extends object>(sql: string, values: unknown[] = []) => (await db.query<T & pg.QueryResultRow>(sql, values)).rows;
const at = (minutesAgo: number) => new Date(Date.now() - minutesAgo * 60_000);

async function migrateTo(steps: number) {
  cpSync(path.join(process.cwd(), "src/db/migrations"), folder, { recursive: true });
  const journal = path.join(folder, "meta/_journal.json");
  const known = JSON.parse(readFileSync(journal, "utf8")) as { entries: unknown[] };
  writeFileSync(journal, JSON.stringify({ ...known, entries: known.entries.slice(0, steps) }));
  await migrate(drizzle(db, { casing: "snake_case" }), { migrationsFolder: folder, migrationsSchema: "migrations" });
}

beforeAll(async () => {
  db = new pg.Client({ connectionString: url() });
  await db.connect();
  folder = mkdtempSync(path.join(os.tmpdir(), "ivy-older-"));
  await migrateTo(OLDER_STEPS);

  await ask("insert into studio.studio (studio_id, name, time_zone) values ($1, 'older', 'Europe/Lisbon')", [s]);
  await ask("insert into studio.policy (studio_id, document) values ($1, $2)", [
    s,
    JSON.stringify({ version: 4, colourAge: 15, extensionsAfterHours: 72 }),
  ]);
  await ask("insert into studio.member (studio_id, id, name, role) values ($1, $2, 'Maren', 'owner')", [s, maren]);
  for (const [id, name] of [
    [front, "Front room"],
    [back, "Back room"],
  ])
    await ask("insert into studio.room (studio_id, id, name, volume_m3) values ($1, $2, $3, 30)", [s, id, name]);
  await ask("insert into studio.client (studio_id, id, name) values ($1, $2, 'A client')", [s, client]);
  const visit = (id: string, chair: number, service: string, startsAt: Date, minutes = 90, reason = "") =>
    ask(
      "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair, service, starts_at, minutes, patch_reason) values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)",
      [s, id, client, maren, front, chair, service, startsAt, minutes, reason],
    );
  await visit(ids.done, 2, "new set", at(20 * 1440), 120, "worn for years");
  await visit(ids.running, 2, "fill", at(45));
  await visit(ids.colour, 1, "lift and tint", at(35), 60);
  await visit(ids.next, 2, "tint", at(-2 * 1440), 60);
  // Agreed over the one before, as it was possible then.
  await visit(ids.twin, 1, "brow lamination", at(-2 * 1440 - 30), 60);
  await visit(ids.later, 2, "removal", at(-3 * 1440), 60);
  for (const { visit: visitId, minutesAgo, type, payload } of EVENTS)
    await ask(
      "insert into studio.visit_event (studio_id, visit_id, id, at, server_time, clock, type, payload, member_id) values ($1, $2, $3, $4, $4, 'checked', $5, $6, $7)",
      [s, visitId, randomUUID(), at(minutesAgo), type, JSON.stringify(payload), maren],
    );
  for (const [family, placedOn, result] of [
    ["adhesive", "2026-09-01", "clear"],
    ["tint", "2026-09-01", "reaction"],
    ["tint", "2026-10-01", "clear"],
    ["lotion", "2026-11-20", "waiting"],
    ["lightener", "9999-01-01", "clear"],
  ])
    await ask("insert into studio.patch_test (studio_id, id, client_id, family, placed_on, result) values ($1, $2, $3, $4, $5, $6)", [
      s,
      randomUUID(),
      client,
      family,
      placedOn,
      result,
    ]);
  await ask("insert into studio.consultation (studio_id, id, client_id, document, asked_by) values ($1, $2, $3, $4, $5)", [
    s,
    randomUUID(),
    client,
    JSON.stringify({ version: 1, conditions: ["dyeReaction", "asthma"], processed: true }),
    maren,
  ]);
  await ask("insert into studio.adhesive (studio_id, id, document) values ($1, $2, '{}')", [s, shelf.adhesive]);
  await ask(
    "insert into studio.bottle (studio_id, id, adhesive_id, lot, opened_on, emptied_on) values ($1, $2, $3, 'G 1', '2026-01-02', '2026-02-03')",
    [s, shelf.bottle, shelf.adhesive],
  );
  await ask(
    `insert into studio.set_test (studio_id, id, bottle_id, at, seconds, temperature_c, relative_humidity, member_id)
     values ($1, $2, $3, now(), 1.4, 22, 0.5, $4)`,
    [s, randomUUID(), shelf.bottle, maren],
  );
  await ask("insert into studio.product (studio_id, id, document) values ($1, $2, '{}')", [s, shelf.product]);
  await ask("insert into studio.batch (studio_id, id, product_id, lot, opened_on) values ($1, $2, $3, 'P 1', '2026-01-04')", [
    s,
    shelf.batch,
    shelf.product,
  ]);
  await migrateTo(TWO_TABLES_STEPS);
  await ask("update studio.batch set expires_on = '2027-01-04'");
  // One lot that a visit named in both ways, and one that it named in one.
  for (const [kind, lotId, beads] of [
    ["bottle", shelf.bottle, 3],
    ["batch", shelf.bottle, 0],
    ["batch", shelf.batch, 0],
  ])
    await ask("insert into studio.visit_lot (studio_id, visit_id, kind, lot_id, beads) values ($1, $2, $3, $4, $5)", [
      s,
      ids.done,
      kind,
      lotId,
      beads,
    ]);
  await migrateTo(TWO_TABLES_STEPS + 1);
  lotsAfter = await ask("select lot_id, beads from studio.visit_lot where visit_id = $1 order by beads desc", [ids.done]);
  await migrateDatabase(url());
});
afterAll(async () => {
  await db.end();
  rmSync(folder, { recursive: true, force: true });
});

const stateOf = async (visitId: string) =>
  visitState(
    (
      await ask<{ id: string; at: Date; server_time: Date; type: string; payload: object }>(
        "select * from studio.visit_event where visit_id = $1 order by at",
        [visitId],
      )
    ).map(
      (row) =>
        ({
          ...row,
          visitId,
          clock: "checked",
          at: row.at.toISOString(),
          serverTime: row.server_time.toISOString(),
        }) as unknown as KeptEvent,
    ),
  );

test("services have their ids, and each is worked as before", async () => {
  const rows = await ask<{ id: string; service: "fill" }>("select id, service from studio.visit");
  const of = Object.fromEntries(rows.map(({ id, service }) => [id, service]));
  expect(of).toEqual({
    [ids.done]: "newSet",
    [ids.running]: "fill",
    [ids.colour]: "liftTint",
    [ids.next]: "lashTint",
    [ids.twin]: "lamination",
    [ids.later]: "removal",
  });
  expect(rows.filter(({ service }) => isByProtocol(service)).map(({ id }) => id)).not.toContain(ids.running);
});
test("every visit stands at the chair it stood at; a room where nobody lay has its first", async () => {
  const rows = await ask(
    "select v.id, c.name, c.room_id from studio.visit v join studio.chair c on c.id = v.chair_id and c.room_id = v.room_id",
  );
  expect(rows).toHaveLength(6);
  expect(rows.find(({ id }) => id === ids.running)).toMatchObject({ name: "Chair 2", room_id: front });
  expect(await ask("select name from studio.chair where room_id = $1", [back])).toEqual([{ name: "Chair 1" }]);
  expect((await ask("select name from studio.chair where room_id = $1 order by name", [front])).map(({ name }) => name)).toEqual([
    "Chair 1",
    "Chair 2",
  ]);
});
test("what was agreed over another stands beside it, and from now on nothing is", async () => {
  const kept = await ask("select id from studio.visit where keeps_time order by starts_at");
  expect(kept.map(({ id }) => id)).toEqual([ids.next, ids.later]);
  expect((await ask("select patch_reason from studio.visit where id = $1", [ids.done]))[0]).toEqual({ patch_reason: "worn for years" });
});
test("a running and a finished visit read the same, a run by its older plan too", async () => {
  expect(await stateOf(ids.running)).toMatchObject({ head: { finishedAtMs: null }, set: { beads: [{ number: 1, lifeS: 900 }] } });
  const done = await stateOf(ids.done);
  expect(pastService("newSet", outcomeOf("newSet", done))).toMatchObject({ label: "new set", atMs: done.head.finishedAtMs });
  const run = (await stateOf(ids.colour)).run;
  expect(run.coats).toHaveLength(1);
  expect(run.plan!.pace.roomC).toBe(21.5);
  expect(run.plan!.protocol.steps.length).toBeGreaterThan(3);
});
test("patch tests keep their day and what was read; a reaction that a clear had hidden stands again", async () => {
  const tests = await ask<{ id: string; family: "tint"; placed_at: Date; hour_known: boolean; read_after_hours: number }>(
    "select * from studio.patch_test",
  );
  const readings = await ask<{ id: string; test_id: string; read_at: Date; result: "clear"; severe: boolean | null }>(
    "select * from studio.patch_reading",
  );
  expect(tests.every(({ hour_known }) => !hour_known)).toBe(true);
  const state = (family: string) =>
    patchTestStanding(
      tests
        .filter((test) => test.family === family)
        .map((test) => ({
          id: test.id,
          family: test.family,
          productId: null,
          placedAtMs: test.placed_at.getTime(),
          readAfterHours: test.read_after_hours,
          readings: readings
            .filter(({ test_id }) => test_id === test.id)
            .map((reading) => ({ id: reading.id, atMs: reading.read_at.getTime(), result: reading.result, severe: reading.severe })),
        })),
      // The tests were written down as of now: what is clear counts from when it can have been read.
      Date.now() + 3 * 86_400_000,
      12,
    ).state;
  expect([state("adhesive"), state("tint"), state("lotion"), state("lightener")]).toEqual(["valid", "reaction", "waiting", "missing"]);
  // The first of September began in Lisbon at 23:00 of the day before, UTC.
  expect((await ask("select placed_at from studio.patch_test where family = 'adhesive'"))[0]!.placed_at).toEqual(
    new Date("2026-08-31T23:00:00Z"),
  );
});
test("older answers and an older policy are read as today's", async () => {
  const [row] = await ask<{ document: object }>("select document from studio.consultation");
  expect(upgradeConsultation(row!.document)).toMatchObject({ version: 2, allergies: ["dye"], conditions: ["asthma"], processed: true });
  const { upgradePolicy } = await import("@/core/policy");
  const [policy] = await ask<{ document: object }>("select document from studio.policy");
  expect(upgradePolicy(policy!.document)).toMatchObject({
    version: 10,
    nameOnStrip: "initials",
    colourAge: 16,
    lashTintLawful: "notConfirmed",
    spacing: { liftThenExtensions: { stopHours: 72 }, tintThenExtensions: { askHours: 72 } },
  });
});

test("bottles and packs are lots, each of what it was of, and what spoke of them still does", async () => {
  expect(
    await ask(
      `select id, adhesive_id, product_id, number, opened_on::text as opened, expires_on::text as expires, emptied_on::text as emptied
       from studio.lot order by number`,
    ),
  ).toEqual([
    {
      id: shelf.bottle,
      adhesive_id: shelf.adhesive,
      product_id: null,
      number: "G 1",
      opened: "2026-01-02",
      expires: null,
      emptied: "2026-02-03",
    },
    {
      id: shelf.batch,
      adhesive_id: null,
      product_id: shelf.product,
      number: "P 1",
      opened: "2026-01-04",
      expires: "2027-01-04",
      emptied: null,
    },
  ]);
  expect(
    await ask("select t.seconds from studio.set_test t join studio.lot l on l.studio_id = t.studio_id and l.id = t.bottle_id"),
  ).toEqual([{ seconds: 1.4 }]);
  expect(lotsAfter).toEqual([
    { lot_id: shelf.bottle, beads: 3 },
    { lot_id: shelf.batch, beads: 0 },
  ]);
});
