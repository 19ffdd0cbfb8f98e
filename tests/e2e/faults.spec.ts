import pg from "pg";
import { loadDemo, migrate, startApp } from "../../scripts/lib/app.mjs";
import { removePostgres, startPostgres } from "../../scripts/lib/postgres.mjs";
import { expect, secrets, test } from "./support";

test.setTimeout(240_000);
const STATE = `${process.cwd()}/.ivy`;

test("the database stopped and started under intake: nothing acknowledged is lost, and what was not is handed in again", async () => {
  removePostgres(STATE, "faults");
  // Durable, as a studio's own is: what was acknowledged is on the disk.
  let postgres = await startPostgres(STATE, { name: "faults" });
  migrate(postgres);
  loadDemo(postgres, secrets);
  const app = await startApp(postgres, secrets, { env: { IVY_LOG: "silent" } });
  try {
    const acknowledged: string[] = [];
    let waiting: { takenAt: string; temperatureC: number; relativeHumidity: number }[] = [];
    let made = 0;
    let refused = 0;
    const began = Date.now() - 100_000;
    // A device as simulators/hygrometer.mjs is one: keeps what is not acknowledged and hands it in with the next.
    const report = async () => {
      waiting.push({ takenAt: new Date(began + made * 100).toISOString(), temperatureC: 21, relativeHumidity: 0.4 + (made % 50) / 1000 });
      made += 1;
      const batch = waiting.slice(0, 500);
      const answer = await fetch(`${app.url}/api/intake/readings`, {
        method: "POST",
        headers: { authorization: `Bearer ${secrets.tokens.back}`, "content-type": "application/json" },
        body: JSON.stringify({ readings: batch }),
      });
      if (answer.ok) {
        acknowledged.push(...batch.map(({ takenAt }) => takenAt));
        waiting = waiting.slice(batch.length);
      } else {
        expect([503, 429]).toContain(answer.status);
        expect((await answer.json()).message).toMatch(/\w/);
        refused += 1;
      }
    };
    for (let i = 0; i < 20; i++) await report();
    const before = acknowledged.length;
    expect(before).toBe(20);
    const { port } = postgres;
    // Requests are under way while it stops.
    const during = Promise.all(Array.from({ length: 6 }, () => report()));
    postgres.stop();
    await during;
    for (let i = 0; i < 5; i++) await report();
    expect(refused).toBeGreaterThan(0);
    postgres = await startPostgres(STATE, { name: "faults", port });
    await expect.poll(async () => (await report(), waiting.length), { timeout: 60_000 }).toBe(0);
    const db = new pg.Client({ connectionString: postgres.urls.owner });
    await db.connect();
    const { rows } = await db.query<{ at: Date }>(
      "select taken_at as at from studio.reading where taken_at >= $1 and taken_at < $2 and sensor_id in (select sensor_id from device.token) and relative_humidity between 0.4 and 0.45 and temperature_c = 21",
      [new Date(began), new Date(began + made * 100)],
    );
    // The jobs take up again by themselves, too.
    await expect.poll(async () => Number((await db.query("select count(*) from device.owed")).rows[0].count), { timeout: 60_000 }).toBe(0);
    await db.end();
    const kept = rows.map(({ at }) => at.toISOString());
    expect(new Set(kept).size).toBe(kept.length);
    expect(kept.length).toBe(made);
    for (const takenAt of acknowledged) expect(kept).toContain(takenAt);
  } finally {
    await app.stop();
    postgres.destroy();
  }
});
