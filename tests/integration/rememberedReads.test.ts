import { sql } from "drizzle-orm";
import { pointAppAtTests, urls, withClient } from "../support/studios";

pointAppAtTests();

type Database = ReturnType<typeof import("@/server/pools").appDatabase>;
let database: Database;
beforeAll(async () => {
  const { appDatabase } = await import("@/server/pools");
  database = appDatabase();
});
const remembered = async (tx: Pick<Database, "execute">) =>
  Number(
    (await tx.execute<{ n: string }>(sql`select count(*) as n from pg_prepared_statements where statement like '%of these reads%'`))
      .rows[0]!.n,
  );

test("a connection plans a read once, whatever is asked for with it, also where several are on their way", async () => {
  await database.transaction(async (tx) => {
    const doubled = (n: number) => tx.execute<{ twice: number }>(sql`select 2 * ${n}::int as twice /* one of these reads */`);
    const asked = await Promise.all([doubled(1), doubled(2), doubled(3)].map((one) => one.then(({ rows }) => rows[0]!.twice)));
    expect(asked).toEqual([2, 4, 6]);
    expect((await doubled(21)).rows).toEqual([{ twice: 42 }]);
    // The count itself carries the words it looks for.
    expect(await remembered(tx)).toBe(2);
  });
});

test("a read that failed, and one asked behind it, are asked again as if they had not been", async () => {
  const risky = (by: number) => sql`select 10 / ${by}::int as share /* one of these reads, by */`;
  const behind = sql`select 'behind' as place /* one of these reads, behind */`;
  await expect(
    database.transaction(async (tx) => {
      const results = await Promise.allSettled([tx.execute(risky(0)), tx.execute(behind)]);
      expect(results.map(({ status }) => status)).toEqual(["rejected", "rejected"]);
      throw new Error("given up");
    }),
  ).rejects.toThrow("given up");
  await database.transaction(async (tx) => {
    expect((await tx.execute(risky(5))).rows).toEqual([{ share: 2 }]);
    expect((await tx.execute(behind)).rows).toEqual([{ place: "behind" }]);
  });
});

test("reads of ever other texts are not remembered without end", async () => {
  await database.transaction(async (tx) => {
    for (let n = 0; n < 300; n++) await tx.execute(sql`select ${sql.raw(String(n))} as n /* one of these reads, by number */`);
    expect(await remembered(tx)).toBeLessThanOrEqual(200);
    expect((await tx.execute(sql`select 299 as n /* one of these reads, by number */`)).rows).toEqual([{ n: 299 }]);
  });
});

test("a connection that breaks while it is in use is told by the next query, and ends nothing else", async () => {
  const { appDatabase } = await import("@/server/pools");
  const used = await appDatabase().$client.connect();
  const { rows } = await used.query<{ pid: number }>("select pg_backend_pid() as pid");
  await withClient(urls().app, (db) => db.query("select pg_terminate_backend($1)", [rows[0]!.pid]));
  await new Promise((resolve) => setTimeout(resolve, 300));
  await expect(used.query("select 1")).rejects.toThrow();
  used.release(true);
  expect((await appDatabase().$client.query("select 1 as one")).rows).toEqual([{ one: 1 }]);
});
