import { createHash, randomUUID } from "node:crypto";
import pg from "pg";
import { median, ms, printTable, ratioOf, type Row } from "./measure";

/**
 * A year of readings of four hygrometers, one each ten seconds, and what it costs to look at them; the intake against raw
 * inserts of the same rows; how long two hundred open screens wait for a reading.
 */
const { IVY_BENCH_URL: url, IVY_BENCH_PASSWORD: password, IVY_BENCH_OWNER: ownerUrl } = process.env;
if (!url || !password || !ownerUrl) throw new Error("IVY_BENCH_URL, IVY_BENCH_PASSWORD and IVY_BENCH_OWNER are needed.");
const EVERY_S = 10;
const SENSORS = 4;
const BATCH = 500;
const BATCHES = 120;
const LANES = 4;
const SCREENS = 200;
const CHART_MS = 100;
const SEEN_MS = 1000;

const db = new pg.Client({ connectionString: ownerUrl });
await db.connect();
const rows: Row[] = [];
const { rows: rooms } = await db.query<{ studio_id: string; id: string }>(
  "select studio_id, id from studio.room where name = 'Front room'",
);
const { studio_id: studioId, id: roomId } = rooms[0]!;

/** Hygrometers of the front room, each with a token. */
async function hygrometers(count: number): Promise<{ id: string; token: string }[]> {
  const made = Array.from({ length: count }, () => ({ id: randomUUID(), token: `ivy_${randomUUID()}` }));
  for (const [i, { id, token }] of made.entries()) {
    await db.query("insert into studio.sensor (studio_id, id, room_id, name) values ($1, $2, $3, $4)", [
      studioId,
      id,
      roomId,
      `Bench ${i}`,
    ]);
    await db.query("insert into device.token (hash, studio_id, sensor_id) values ($1, $2, $3)", [
      createHash("sha256").update(token).digest("hex"),
      studioId,
      id,
    ]);
  }
  return made;
}

async function cookie(): Promise<string> {
  const answer = await fetch(`${url}/api/auth/sign-in/email`, {
    method: "POST",
    headers: { "content-type": "application/json", origin: url! },
    body: JSON.stringify({ email: "maren@tideroom.example", password }),
  });
  return answer.headers
    .getSetCookie()
    .map((line) => line.split(";")[0])
    .join("; ");
}
const headers = { cookie: await cookie() };

async function timesOf(path: string, rounds = 25): Promise<number[]> {
  const times: number[] = [];
  for (let i = 0; i < rounds + 3; i++) {
    const begun = performance.now();
    const answer = await fetch(`${url}${path}`, { headers });
    await answer.arrayBuffer();
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
    if (i >= 3) times.push(performance.now() - begun);
  }
  return times.sort((a, b) => a - b);
}
const p95 = (sorted: readonly number[]) => sorted[Math.floor(sorted.length * 0.95)]!;

// 1. Intake, by as many lanes as the device pool has connections, against raw inserts into a table alike, by as many.
{
  const devices = await hygrometers(LANES * 4);
  const begin = Date.now() - 300 * 86_400_000;
  const batchOf = (lane: number, n: number) =>
    Array.from({ length: BATCH }, (_, i) => ({
      takenAt: new Date(begin + lane * 86_400_000 * 30 + (n * BATCH + i) * EVERY_S * 1000).toISOString(),
      temperatureC: 21 + (i % 40) / 50,
      relativeHumidity: 0.4 + (i % 90) / 1000,
    }));
  const perLane = BATCHES / LANES;
  const ours = async () => {
    await Promise.all(
      Array.from({ length: LANES }, async (_, lane) => {
        for (let n = 0; n < perLane; n++) {
          const answer = await fetch(`${url}/api/intake/readings`, {
            method: "POST",
            headers: { authorization: `Bearer ${devices[lane * 4 + (n % 4)]!.token}`, "content-type": "application/json" },
            body: JSON.stringify({ readings: batchOf(lane, n) }),
          });
          if (!answer.ok) throw new Error(`intake: ${answer.status}`);
          await answer.arrayBuffer();
        }
      }),
    );
  };
  await db.query("drop table if exists public.raw_reading");
  await db.query("create table public.raw_reading (like studio.reading including all)");
  const raw = async () => {
    await Promise.all(
      Array.from({ length: LANES }, async (_, lane) => {
        const owner = new pg.Client({ connectionString: ownerUrl });
        await owner.connect();
        for (let n = 0; n < perLane; n++) {
          const values: unknown[] = [];
          const places = batchOf(lane, n).map((reading, i) => {
            values.push(studioId, devices[lane * 4 + (n % 4)]!.id, reading.takenAt, roomId, reading.temperatureC, reading.relativeHumidity);
            return `(${[1, 2, 3, 4, 5, 6].map((k) => `$${i * 6 + k}`).join(",")})`;
          });
          await owner.query(
            `insert into public.raw_reading (studio_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity) values ${places.join(",")}`,
            values,
          );
        }
        await owner.end();
      }),
    );
  };
  const timed = async (work: () => Promise<void>) => {
    const begun = performance.now();
    await work();
    return (BATCHES * BATCH) / ((performance.now() - begun) / 1000);
  };
  const clear = async () => {
    await db.query("delete from studio.reading where sensor_id = any($1)", [devices.map(({ id }) => id)]);
    await db.query("truncate public.raw_reading");
    await db.query("update device.token set window_count = 0, window_start = now()");
  };
  await timed(ours);
  await timed(raw);
  const ratios: { ours: number; raw: number }[] = [];
  for (let round = 0; round < 3; round++) {
    await clear();
    ratios.push({ ours: await timed(ours), raw: await timed(raw) });
  }
  await clear();
  const [a, b] = [median(ratios.map((r) => r.ours)), median(ratios.map((r) => r.raw))];
  rows.push({
    what: `intake over HTTP, batches of ${BATCH} (raw: inserts of the same rows; goal 0.4 ×)`,
    ours: `${Math.round(a).toLocaleString("en-GB")} rows/s`,
    yardstick: `${Math.round(b).toLocaleString("en-GB")} rows/s`,
    ratio: ratioOf(a, b),
  });
  await db.query("drop table public.raw_reading");
}

// 2. The year, loaded and rolled up.
const sensors = await hygrometers(SENSORS);
{
  const begun = performance.now();
  await db.query('alter table studio.reading disable trigger "readings_came"');
  for (const [i, { id }] of sensors.entries())
    await db.query(
      `insert into studio.reading (studio_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity)
       select $1, $2, at, $3, 20 + 2 * sin(extract(epoch from at)::float8 / 13751) + $4::float8 / 10, 0.45 + 0.1 * sin(extract(epoch from at)::float8 / 9000)
       from generate_series(now() - interval '365 days', now() - interval '1 minute', make_interval(secs => $5)) at`,
      [studioId, id, roomId, i, EVERY_S],
    );
  await db.query('alter table studio.reading enable trigger "readings_came"');
  const { rows: counted } = await db.query<{ n: string }>("select count(*) as n from studio.reading where sensor_id = any($1)", [
    sensors.map(({ id }) => id),
  ]);
  const loadedS = (performance.now() - begun) / 1000;
  const rolling = performance.now();
  await db.query(
    `insert into device.owed (studio_id, sensor_id, hour) select $1, s, h from unnest($2::uuid[]) s,
     generate_series(date_trunc('hour', now() - interval '365 days', 'UTC'), now(), interval '1 hour') h on conflict do nothing`,
    [studioId, sensors.map(({ id }) => id)],
  );
  // Settled here and by the app's own job, side by side.
  for (;;) {
    const { rows: settled } = await db.query<{ n: number }>("select device.roll_up(300) as n");
    if (settled[0]!.n === 0) break;
  }
  for (;;) {
    const { rows: left } = await db.query<{ n: string }>("select count(*) as n from device.owed");
    if (Number(left[0]!.n) === 0) break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  const rolledS = (performance.now() - rolling) / 1000;
  await db.query("analyze studio.reading, studio.reading_minute, studio.reading_hour");
  rows.push({
    what: `a year of ${SENSORS} hygrometers, ${Number(counted[0]!.n).toLocaleString("en-GB")} readings: rolling up, over loading`,
    ours: `${rolledS.toFixed(0)} s`,
    yardstick: `${loadedS.toFixed(0)} s`,
    ratio: ratioOf(rolledS, loadedS),
  });
}

// 3. Looking at it.
const day = (ago: number) => new Date(Date.now() - ago * 86_400_000).toISOString().slice(0, 10);
for (const [what, path] of [
  ["day chart, today", `/api/rooms/${roomId}/history?span=day`],
  ["day chart, half a year ago", `/api/rooms/${roomId}/history?span=day&day=${day(180)}`],
  ["week chart", `/api/rooms/${roomId}/history?span=week&day=${day(90)}`],
  ["the air page whole", `/air?room=${roomId}`],
] as const) {
  const times = await timesOf(path);
  rows.push({ what: `${what}, median`, ours: ms(median(times)), yardstick: `${CHART_MS} ms`, ratio: ratioOf(median(times), CHART_MS) });
  rows.push({ what: `${what}, p95`, ours: ms(p95(times)), yardstick: `${CHART_MS} ms`, ratio: ratioOf(p95(times), CHART_MS) });
}

// 4. Two hundred open screens.
{
  const stop = new AbortController();
  let wanted = "";
  let waiting = 0;
  let done = (): void => undefined;
  await Promise.all(
    Array.from({ length: SCREENS }, async () => {
      const answer = await fetch(`${url}/api/live`, { headers, signal: stop.signal });
      void (async () => {
        const decoder = new TextDecoder();
        let seen = "";
        try {
          for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
            const text = decoder.decode(chunk);
            if (wanted && seen !== wanted && text.includes(wanted)) {
              seen = wanted;
              if (--waiting === 0) done();
            }
          }
        } catch {
          // Hung up below.
        }
      })();
    }),
  );
  await new Promise((resolve) => setTimeout(resolve, 2000));
  const { rows: main } = await db.query<{ id: string }>(
    "select id from studio.sensor where room_id = $1 and kind = 'device' order by created_at limit 1",
    [roomId],
  );
  const token = `ivy_${randomUUID()}`;
  await db.query("insert into device.token (hash, studio_id, sensor_id) values ($1, $2, $3)", [
    createHash("sha256").update(token).digest("hex"),
    studioId,
    main[0]!.id,
  ]);
  const times: number[] = [];
  for (let i = 0; i < 20; i++) {
    const relativeHumidity = 0.31001 + i / 1000;
    const all = new Promise<void>((resolve) => (done = resolve));
    [wanted, waiting] = [String(relativeHumidity), SCREENS];
    const begun = performance.now();
    await fetch(`${url}/api/intake/readings`, {
      method: "POST",
      headers: { authorization: `Bearer ${token}`, "content-type": "application/json" },
      body: JSON.stringify({ readings: [{ takenAt: new Date().toISOString(), temperatureC: 21, relativeHumidity }] }),
    });
    await all;
    times.push(performance.now() - begun);
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  stop.abort();
  times.sort((a, b) => a - b);
  rows.push({
    what: `a reading on all of ${SCREENS} open screens, median`,
    ours: ms(median(times)),
    yardstick: `${SEEN_MS} ms`,
    ratio: ratioOf(median(times), SEEN_MS),
  });
  rows.push({
    what: `a reading on all of ${SCREENS} open screens, slowest of ${times.length}`,
    ours: ms(times.at(-1)!),
    yardstick: `${SEEN_MS} ms`,
    ratio: ratioOf(times.at(-1)!, SEEN_MS),
  });
}
await db.end();
printTable("Readings: intake, a year of them, live", rows);
