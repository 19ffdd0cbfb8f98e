import { randomUUID } from "node:crypto";
import { makeStudio, urls, withClient, type TestStudio } from "../support/studios";
import type pg from "pg";

let ours: TestStudio;
let theirs: TestStudio;
beforeAll(async () => {
  ours = await makeStudio("ours");
  theirs = await makeStudio("theirs");
});

/** One transaction as the app's role, in the name of a member. */
const asMember = <T>(studioId: string, memberId: string, work: (db: pg.Client) => Promise<T>) =>
  withClient(urls().app, async (db) => {
    await db.query("begin");
    await db.query("select set_config('ivy.studio_id', $1, true), set_config('ivy.member_id', $2, true)", [studioId, memberId]);
    try {
      return await work(db);
    } finally {
      await db.query("rollback");
    }
  });
const tables = () =>
  withClient(urls().owner, async (db) =>
    (
      await db.query<{ name: string }>("select table_name as name from information_schema.tables where table_schema = 'studio' order by 1")
    ).rows.map((row) => row.name),
  );
const count = async (db: pg.Client, table: string) => Number((await db.query(`select count(*) from studio."${table}"`)).rows[0].count);

test("no role of the app owns, creates or bypasses anything", async () => {
  await withClient(urls().owner, async (db) => {
    const roles = await db.query(
      "select rolname, rolsuper, rolbypassrls, rolcreaterole, rolcreatedb from pg_roles where rolname in ('ivy_app','ivy_auth','ivy_device')",
    );
    expect(roles.rows).toHaveLength(3);
    for (const role of roles.rows)
      expect(role).toMatchObject({ rolsuper: false, rolbypassrls: false, rolcreaterole: false, rolcreatedb: false });
    const owned = await db.query(
      "select c.relname from pg_class c join pg_roles r on r.oid = c.relowner where r.rolname in ('ivy_app','ivy_auth','ivy_device')",
    );
    expect(owned.rows).toEqual([]);
  });
});

test("every table of the studio has row-level security and leads its key with the studio", async () => {
  await withClient(urls().owner, async (db) => {
    const { rows } = await db.query(`
      select c.relname, c.relrowsecurity, (select a.attname from pg_index i join pg_attribute a on a.attrelid = c.oid and a.attnum = i.indkey[0] where i.indrelid = c.oid and i.indisprimary) as first_key
      from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'studio' and c.relkind = 'r'`);
    expect(rows.length).toBeGreaterThan(12);
    for (const row of rows) expect(row).toMatchObject({ relrowsecurity: true, first_key: "studio_id" });
  });
});

test("without a studio, or as somebody else's member, every table is empty", async () => {
  for (const table of await tables()) {
    await withClient(urls().app, async (db) => expect([table, await count(db, table)]).toEqual([table, 0]));
    await asMember(ours.ids.studioId, theirs.ids.owner, async (db) => expect([table, await count(db, table)]).toEqual([table, 0]));
  }
});

test("a member sees every table of the own studio and no row of another", async () => {
  for (const table of await tables())
    // The audit list is the owner's alone to read.
    await asMember(ours.ids.studioId, table === "audit_entry" ? ours.ids.owner : ours.ids.technician, async (db) => {
      expect([table, await count(db, table)]).not.toEqual([table, 0]);
      const foreign = await db.query(`select count(*) from studio."${table}" where studio_id <> $1`, [ours.ids.studioId]);
      expect([table, Number(foreign.rows[0].count)]).toEqual([table, 0]);
    });
});

test("a row cannot be put into, or moved to, another studio", async () => {
  await asMember(ours.ids.studioId, ours.ids.owner, async (db) => {
    await db.query("savepoint s");
    await expect(
      db.query("insert into studio.client (studio_id, id, name) values ($1, gen_random_uuid(), 'x')", [theirs.ids.studioId]),
    ).rejects.toThrow(/row-level security/);
    await db.query("rollback to s");
    await expect(db.query("update studio.client set studio_id = $1", [theirs.ids.studioId])).rejects.toThrow();
  });
});

test("surveys, saved maps, readings and events are never changed or deleted, even by an owner", async () => {
  for (const table of [
    "survey",
    "lash_map_revision",
    "reading",
    "reading_minute",
    "reading_hour",
    "calibration",
    "hand_time",
    "visit_event",
    "patch_test",
    "patch_reading",
    "reaction_lifting",
    "consultation",
    "consent",
    "visit_mark",
  ])
    await asMember(ours.ids.studioId, ours.ids.owner, async (db) => {
      await db.query("savepoint s");
      await expect(db.query(`delete from studio.${table}`)).rejects.toThrow(/permission denied/);
      await db.query("rollback to s");
      await expect(db.query(`update studio.${table} set studio_id = studio_id`)).rejects.toThrow(/permission denied/);
    });
});

test("an event is only ever in one's own name", async () => {
  await asMember(ours.ids.studioId, ours.ids.trainee, async (db) => {
    await expect(
      db.query(
        "insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id) values ($1, $2, gen_random_uuid(), now(), 'checked', 'finished', '{}', $3)",
        [ours.ids.studioId, ours.ids.visit, ours.ids.owner],
      ),
    ).rejects.toThrow(/row-level security/);
  });
});

test("a trainee changes no policy, deletes nothing, puts nobody away, by the database's own word", async () => {
  await asMember(ours.ids.studioId, ours.ids.trainee, async (db) => {
    expect((await db.query("update studio.policy set revision = 99")).rowCount).toBe(0);
    expect((await db.query("delete from studio.tray")).rowCount).toBe(0);
    await db.query("savepoint s");
    await expect(db.query("update studio.client set archived_at = now()")).rejects.toThrow(/row-level security/);
    await db.query("rollback to s");
    expect((await db.query("update studio.client set notes = 'seen' where archived_at is null")).rowCount).toBe(1);
  });
  await asMember(ours.ids.studioId, ours.ids.technician, async (db) => {
    expect((await db.query("update studio.policy set revision = 99")).rowCount).toBe(0);
    expect((await db.query("delete from studio.tray")).rowCount).toBe(1);
  });
  await asMember(ours.ids.studioId, ours.ids.owner, async (db) =>
    expect((await db.query("update studio.policy set revision = 99")).rowCount).toBe(1),
  );
});

test("a trainee changes no room, chair, sensor, product or adhesive; rooms and chairs are the owner's", async () => {
  const tries = ["room", "chair", "sensor", "product", "adhesive"];
  await asMember(ours.ids.studioId, ours.ids.trainee, async (db) => {
    for (const table of tries) {
      const column = { room: "name = 'x'", chair: "name = 'x'", sensor: "name = 'x'" }[table] ?? "document = '{}'";
      expect([table, (await db.query(`update studio.${table} set ${column}`)).rowCount]).toEqual([table, 0]);
    }
    for (const insert of [
      "insert into studio.room (studio_id, id, name, volume_m3) values ($1, gen_random_uuid(), 'x', 30)",
      "insert into studio.product (studio_id, id, document) values ($1, gen_random_uuid(), '{}')",
      "insert into studio.adhesive (studio_id, id, document) values ($1, gen_random_uuid(), '{}')",
      "insert into studio.shield (studio_id, id, document) values ($1, gen_random_uuid(), '{}')",
    ]) {
      await db.query("savepoint s");
      await expect(db.query(insert, [ours.ids.studioId])).rejects.toThrow(/row-level security/);
      await db.query("rollback to s");
    }
    // A reading typed by hand needs a source of its own: that one a trainee may make.
    await db.query("insert into studio.sensor (studio_id, id, room_id, name, kind) values ($1, gen_random_uuid(), $2, 'hand', 'hand')", [
      ours.ids.studioId,
      ours.ids.room,
    ]);
  });
  await asMember(ours.ids.studioId, ours.ids.technician, async (db) => {
    expect((await db.query("update studio.chair set name = 'x'")).rowCount).toBe(0);
    expect((await db.query("update studio.room set volume_m3 = 31")).rowCount).toBe(1);
    await db.query("savepoint s");
    await expect(
      db.query("insert into studio.chair (studio_id, id, room_id, name) values ($1, gen_random_uuid(), $2, 'x')", [
        ours.ids.studioId,
        ours.ids.room,
      ]),
    ).rejects.toThrow(/row-level security/);
    await db.query("rollback to s");
  });
  await asMember(ours.ids.studioId, ours.ids.owner, async (db) =>
    expect((await db.query("update studio.chair set name = 'x'")).rowCount).toBe(1),
  );
});

test("only the owner lifts a reaction, and everybody writes in their own name", async () => {
  const lift = (role: "owner" | "technician" | "trainee", by: string) =>
    asMember(ours.ids.studioId, ours.ids[role], (db) =>
      db.query(
        "insert into studio.reaction_lifting (studio_id, id, reading_id, product_id, finding, lifted_by) values ($1, gen_random_uuid(), $2, gen_random_uuid(), 'a finding', $3)",
        [ours.ids.studioId, ours.ids.patchReading, by],
      ),
    );
  await expect(lift("technician", ours.ids.technician)).rejects.toThrow(/row-level security/);
  await expect(lift("trainee", ours.ids.trainee)).rejects.toThrow(/row-level security/);
  await expect(lift("owner", ours.ids.technician)).rejects.toThrow(/row-level security/);
  await lift("owner", ours.ids.owner);
});

test("no test is clear before its hour, by the database's own word", async () => {
  await asMember(ours.ids.studioId, ours.ids.technician, async (db) => {
    const test = crypto.randomUUID();
    await db.query(
      "insert into studio.patch_test (studio_id, id, client_id, family, placed_at, recorded_by) values ($1, $2, $3, 'tint', now() - interval '30 hours', $4)",
      [ours.ids.studioId, test, ours.ids.client, ours.ids.technician],
    );
    const read = (result: string) =>
      db.query(
        "insert into studio.patch_reading (studio_id, id, test_id, read_at, result, read_by) values ($1, gen_random_uuid(), $2, now(), $3, $4)",
        [ours.ids.studioId, test, result, ours.ids.technician],
      );
    await db.query("savepoint s");
    await expect(read("clear")).rejects.toThrow(/never clear so soon/);
    await db.query("rollback to s");
    await read("reaction");
    await expect(
      db.query(
        "insert into studio.patch_test (studio_id, id, client_id, family, placed_at, recorded_by) values ($1, gen_random_uuid(), $2, 'tint', '9999-01-01', $3)",
        [ours.ids.studioId, ours.ids.client, ours.ids.technician],
      ),
    ).rejects.toThrow(/patch_test_possible/);
  });
});

test("the roles stay in their own schemas", async () => {
  const refused = (url: string, sql: string) => withClient(url, (db) => expect(db.query(sql)).rejects.toThrow(/permission denied/));
  await refused(urls().app, 'select * from auth."user"');
  await refused(urls().app, "select * from device.token");
  await refused(urls().auth, "select * from studio.client");
  await refused(urls().auth, "select * from device.token");
  await refused(urls().device, "select * from studio.reading");
  await refused(urls().device, "select * from device.token");
  await refused(urls().device, 'select * from auth."user"');
  await refused(urls().app, "select * from auth.member_of(gen_random_uuid())");
  await refused(urls().device, "select * from auth.member_of(gen_random_uuid())");
  await refused(urls().app, "select auth.create_person(gen_random_uuid(), gen_random_uuid(), 'x', 'x', 'x', 'owner')");
  await refused(urls().app, "create table studio.mine (id int)");
});

test("sign-in learns who a person is in their own studio, and of nobody else", async () => {
  const [mine, nowhere] = [ours.ids.technician, randomUUID()];
  await withClient(urls().owner, async (db) => {
    for (const id of [mine, nowhere])
      await db.query('insert into auth."user" (id, name, email, studio_id) values ($1, $2, $3, $4)', [
        id,
        "as they signed up",
        `${id}@x.example`,
        ours.ids.studioId,
      ]);
    // Somebody of another studio who never signs in is told of nobody.
    expect((await db.query("select 1 from studio.member where id = $1", [theirs.ids.technician])).rowCount).toBe(1);
  });
  const of = (id: string) =>
    withClient(
      urls().auth,
      async (db) => (await db.query("select * from auth.member_of($1)", [id])).rows as { studio_id: string; role: string }[],
    );
  expect(await of(mine)).toEqual([
    expect.objectContaining({ studio_id: ours.ids.studioId, role: "technician", time_zone: expect.any(String) }),
  ]);
  expect(await of(nowhere)).toEqual([]);
  expect(await of(theirs.ids.technician)).toEqual([]);
});

test("the audit list is read by the owner alone, added to in one's own name, and changed by nobody", async () => {
  const add = "insert into studio.audit_entry (studio_id, id, kind, by_id) values ($1, gen_random_uuid(), 'exported', $2)";
  for (const role of ["technician", "trainee"] as const)
    await asMember(ours.ids.studioId, ours.ids[role], async (db) => {
      expect(await count(db, "audit_entry")).toBe(0);
      await db.query(add, [ours.ids.studioId, ours.ids[role]]);
    });
  for (const [byId, studioId] of [
    [ours.ids.owner, ours.ids.studioId],
    [ours.ids.technician, theirs.ids.studioId],
  ])
    await asMember(ours.ids.studioId, ours.ids.technician, (db) =>
      expect(db.query(add, [studioId, byId])).rejects.toThrow(/row-level security/),
    );
  for (const change of ["update studio.audit_entry set kind = 'invited'", "delete from studio.audit_entry"])
    await asMember(ours.ids.studioId, ours.ids.owner, (db) => expect(db.query(change)).rejects.toThrow(/permission denied/));
});

test("only an owner adds people or gives tokens, and only in the own studio", async () => {
  const add = (studio: TestStudio, role: "owner" | "technician" | "trainee") =>
    asMember(
      studio.ids.studioId,
      studio.ids[role],
      async (db) =>
        (
          await db.query("select studio.invite_member(gen_random_uuid(), 'x', $1, 'owner', md5($1), 72) as outcome", [
            `${Math.random()}@x.example`,
          ])
        ).rows[0].outcome,
    );
  expect(await add(ours, "trainee")).toBe("forbidden");
  expect(await add(ours, "technician")).toBe("forbidden");
  expect(await add(ours, "owner")).toBe("invited");
  const give = (role: "owner" | "technician", sensor: string) =>
    asMember(
      ours.ids.studioId,
      ours.ids[role],
      async (db) => (await db.query("select studio.give_token($1, 'h') as done", [sensor])).rows[0].done,
    );
  expect(await give("technician", ours.ids.sensor)).toBe(false);
  expect(await give("owner", theirs.ids.sensor)).toBe(false);
  expect(await give("owner", ours.ids.sensor)).toBe(true);
});
