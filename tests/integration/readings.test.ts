import { actAs, acting } from "../support/memberAs";
import { makeStudio, pointAppAtTests, type TestStudio, urls, withClient } from "../support/studios";

jest.mock("@/server/member", () => jest.requireActual("../support/memberAs"));
jest.mock("next/cache", () => ({ refresh: () => undefined }));
pointAppAtTests();

let studio: TestStudio;
beforeEach(async () => {
  studio = await makeStudio("readings");
  actAs(studio.member("technician"));
});
const query = <T extends object>(sql: string, values: unknown[] = []) =>
  withClient(urls().owner, async (db) => (await db.query<T>(sql, values)).rows);
const kept = () =>
  query<{ at: Date; rh: number }>(
    "select taken_at as at, relative_humidity as rh from studio.reading where studio_id = $1 order by taken_at",
    [studio.ids.studioId],
  );
const at = (secondsAgo: number) => new Date(Math.floor(Date.now() / 1000) * 1000 - secondsAgo * 1000);
const reading = (secondsAgo: number, relativeHumidity = 0.44) => ({
  takenAt: at(secondsAgo).toISOString(),
  temperatureC: 21.5,
  relativeHumidity,
});
async function send(body: unknown) {
  const { POST } = await import("@/app/api/intake/readings/route");
  return POST(
    new Request("http://x/", { method: "POST", headers: { authorization: `Bearer ${studio.token}` }, body: JSON.stringify(body) }),
  );
}

describe("clocks of devices", () => {
  const batch = (offMs: number) => ({
    sentAt: new Date(Date.now() + offMs).toISOString(),
    readings: [50, 40, 30].map((seconds) => ({
      ...reading(seconds),
      takenAt: new Date(at(seconds).getTime() + offMs).toISOString(),
    })),
  });
  const sinceAnHour = async () => (await kept()).filter(({ at: moment }) => moment.getTime() > Date.now() - 1_800_000);

  test.each([
    ["three hours ahead", 3 * 3_600_000],
    ["five hours behind", -5 * 3_600_000],
    ["a year behind", -365 * 86_400_000],
  ])("%s: the readings are put right by as much, and the sensor says so", async (_, offMs) => {
    const answer = await (await send(batch(offMs))).json();
    expect(answer).toMatchObject({ kept: 3, known: 0 });
    expect(Math.abs(answer.clockOffS - offMs / 1000)).toBeLessThanOrEqual(2);
    const rows = await sinceAnHour();
    expect(rows).toHaveLength(3);
    for (const [i, seconds] of [50, 40, 30].entries()) expect(Math.abs(rows[i]!.at.getTime() - at(seconds).getTime())).toBeLessThan(4000);
    const [sensor] = await query<{ clock_off_s: number }>("select clock_off_s from studio.sensor where id = $1", [studio.ids.sensor]);
    expect(Math.abs(sensor!.clock_off_s - offMs / 1000)).toBeLessThanOrEqual(2);
  });
  test("a batch of a wrong clock sent again is the same batch, and a clock set right is right", async () => {
    const wrong = batch(2 * 3_600_000);
    await send(wrong);
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect(await (await send({ ...wrong, sentAt: new Date(Date.now() + 2 * 3_600_000).toISOString() })).json()).toMatchObject({
      kept: 0,
      known: 3,
    });
    expect(await (await send({ sentAt: new Date().toISOString(), readings: [reading(5)] })).json()).toEqual({ kept: 1, known: 0 });
    expect(await sinceAnHour()).toHaveLength(4);
  });
  test("a clock that jumps between two batches spoils neither", async () => {
    await send(batch(0));
    await send({
      ...batch(6 * 3_600_000),
      readings: [{ ...reading(0), takenAt: new Date(at(10).getTime() + 6 * 3_600_000).toISOString() }],
    });
    const rows = await sinceAnHour();
    expect(rows).toHaveLength(4);
    expect(rows.every(({ at: moment }) => moment.getTime() <= Date.now() + 1000)).toBe(true);
  });
  test("without saying its time, a clock ahead is refused with what to do", async () => {
    const answer = await send({ readings: [{ ...reading(0), takenAt: new Date(Date.now() + 3_600_000).toISOString() }] });
    expect(answer.status).toBe(400);
    expect((await answer.json()).problems[0].what).toMatch(/send sentAt/);
  });
});

describe("roll-ups by minute and hour", () => {
  const minutes = () =>
    query<{ at: Date; readings: number; rh: number; low: number; high: number }>(
      "select at, readings, relative_humidity as rh, humidity_low as low, humidity_high as high from studio.reading_minute where studio_id = $1 and at > now() - interval '50 minutes' order by at",
      [studio.ids.studioId],
    );
  const roll = async () => (await import("@/server/jobs")).rollUp();

  test("each minute has its mean and extremes; late, doubled and disordered readings end in the same", async () => {
    const whole = Math.floor(Date.now() / 60_000) * 60_000 - 600_000;
    const inMinute = (minute: number, second: number, rh: number) => ({
      takenAt: new Date(whole + minute * 60_000 + second * 1000).toISOString(),
      temperatureC: 21,
      relativeHumidity: rh,
    });
    await send({ readings: [inMinute(1, 50, 0.5), inMinute(0, 10, 0.4), inMinute(0, 20, 0.42)] });
    await roll();
    expect((await minutes()).map(({ readings, rh }) => [readings, Math.round(rh * 1000)])).toEqual([
      [2, 410],
      [1, 500],
    ]);
    // Out of order, some of them known: the hour is reckoned anew.
    await send({ readings: [inMinute(0, 30, 0.47), inMinute(1, 50, 0.5), inMinute(0, 10, 0.4)] });
    await roll();
    const [first] = await minutes();
    expect([first!.readings, first!.low, first!.high].map((value) => Math.round(value * 100) / 100)).toEqual([3, 0.4, 0.47]);
    expect(first!.rh).toBeCloseTo(0.43, 5);
  });
  test("two copies at once settle everything, once each", async () => {
    const other = await makeStudio("beside");
    for (let hour = 0; hour < 30; hour++) await send({ readings: [reading(hour * 3600 + 30, 0.4)] });
    const settled = await Promise.all([roll(), roll(), roll()]);
    expect(settled.reduce((a, b) => a + b, 0)).toBeGreaterThanOrEqual(30);
    expect(await query("select 1 from device.owed where studio_id in ($1, $2)", [studio.ids.studioId, other.ids.studioId])).toEqual([]);
    const [hours] = await query<{ n: string }>("select count(*) as n from studio.reading_hour where studio_id = $1 and readings > 0", [
      studio.ids.studioId,
    ]);
    expect(Number(hours!.n)).toBeGreaterThanOrEqual(30);
  });
  test("readings committed while a roll-up runs are not forgotten", async () => {
    await roll();
    await withClient(urls().owner, async (db) => {
      await db.query("begin");
      await db.query(
        "insert into studio.reading (studio_id, sensor_id, room_id, taken_at, temperature_c, relative_humidity) values ($1, $2, $3, now(), 21, 0.6)",
        [studio.ids.studioId, studio.ids.sensor, studio.ids.room],
      );
      await roll();
      await db.query("commit");
    });
    await roll();
    expect((await minutes()).map(({ rh }) => Math.round(rh * 100))).toContain(60);
  });
});

describe("a logger's file", () => {
  const take = async (text: string | Buffer, search = "", roomId = studio.ids.room) => {
    const { POST } = await import("@/app/api/rooms/[roomId]/table/route");
    const body = typeof text === "string" ? text : new Uint8Array(text);
    return POST(new Request(`http://x/?${search}`, { method: "POST", body }), { params: Promise.resolve({ roomId }) });
  };
  const day = new Date(Date.now() - 3 * 86_400_000).toISOString().slice(0, 10);
  const german = `Messung vom Lager\nDatum;Zeit;Temp. [°C];Feuchte [%]\n${["09:00", "09:10", "09:20"]
    .map((time, i) => `${day.split("-").reverse().join(".")};${time};21,${i};4${i},5`)
    .join("\n")}`;

  test("is shown first and keeps nothing, then is kept whole, and a second time adds nothing", async () => {
    const before = (await kept()).length;
    const preview = await (await take(german)).json();
    expect(preview).toMatchObject({ good: 3, wrong: 0, reading: { dateOrder: "dmy", hour: 1, temperature: 2, humidity: 3 } });
    expect(preview.rows[0]).toMatchObject({ line: 3, temperatureC: 21, relativeHumidity: 0.405 });
    expect((await kept()).length).toBe(before);
    expect(await (await take(german, "keep=1")).json()).toEqual({ kept: 3, known: 0, leftOut: 0 });
    expect(await (await take(german, "keep=1")).json()).toEqual({ kept: 0, known: 3, leftOut: 0 });
    expect((await kept()).length).toBe(before + 3);
  });
  test("its hours are the studio's clock, summer and winter", async () => {
    const rows = async (text: string) => ((await (await take(text)).json()) as { rows: { at: string }[] }).rows.map((row) => row.at);
    expect(await rows("time,temp °C,hum\n2026-01-15 09:00,21,40\n2026-07-15 09:00,21,40")).toEqual([
      "2026-01-15T09:00:00.000Z",
      "2026-07-15T08:00:00.000Z",
    ]);
  });
  test.each(["forwards", "newest first"])("over the hour that comes twice nothing is lost, %s", async (way) => {
    const lines = ["00:40", "01:10", "01:40", "01:10", "01:40", "02:10"].map((clock, i) => `2025-10-26 ${clock},21,${40 + i}`);
    const text = ["time,temp °C,hum", ...(way === "forwards" ? lines : lines.toReversed())].join("\n");
    expect(await (await take(text, "keep=1")).json()).toEqual({ kept: 6, known: 0, leftOut: 0 });
    const rows = (await kept()).filter(({ at: moment }) => moment < new Date("2025-10-27"));
    expect(rows.map(({ at: moment, rh }) => [moment.toISOString().slice(11, 16), Math.round(rh * 100)])).toEqual([
      ["23:40", 40],
      ["00:10", 41],
      ["00:40", 42],
      ["01:10", 43],
      ["01:40", 44],
      ["02:10", 45],
    ]);
  });
  test("with a wrong line nothing is half kept: refused, or left out when that was asked for", async () => {
    const bad = `${german}\nnonsense;09:30;21;40\n${day.split("-").reverse().join(".")};09:40;99,0;40`;
    const before = (await kept()).length;
    const preview = await (await take(bad)).json();
    expect(preview.problems.map(({ line }: { line: number }) => line)).toEqual([6, 7]);
    expect((await take(bad, "keep=1")).status).toBe(409);
    expect((await kept()).length).toBe(before);
    expect(await (await take(bad, "keep=1&leave=wrong")).json()).toMatchObject({ kept: 3, leftOut: 2 });
  });
  test.each([
    ["a picture", Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 0, 0])],
    ["words", "dear diary,\ntoday was dry"],
    ["nothing", ""],
    ["quotes left open", 'time,temp,hum\n"2026-03-02 09:00,21,40\n2026-03-02'],
  ])("%s is refused in words", async (_, text) => {
    const answer = await take(text);
    expect(answer.status).toBe(400);
    expect((await answer.json()).message).toMatch(/\w+ \w+/);
  });
  test("a table of 20 MB, or of lines without end, is refused", async () => {
    expect((await take("x".repeat(9_000_000))).status).toBe(413);
    expect((await take("1,2\n".repeat(210_000))).status).toBe(400);
  });
  test("a line of 7.9 MB is refused in words, and nobody waits for it, nor for a good file of 150,000 lines", async () => {
    const moment = (i: number) => new Date(Date.now() - (i + 1) * 60_000).toISOString();
    const long = `time,temp °C,hum\n${moment(0)},21,40\n${moment(1)},21,${"4".repeat(7_900_000)}`;
    const many = `time,temp °C,hum\n${Array.from({ length: 150_000 }, (_, i) => `${moment(i)},21.5,4${i % 10}`).join("\n")}`;
    // The longest that anything else of this process would have waited meanwhile.
    const { monitorEventLoopDelay } = await import("node:perf_hooks");
    const waits = monitorEventLoopDelay({ resolution: 5 });
    waits.enable();
    const [tooLong, whole] = await Promise.all([take(long), take(many)]);
    waits.disable();
    expect([tooLong.status, (await tooLong.json()).message]).toEqual([
      400,
      "Line 3 has more than 20,000 characters: this is no table of readings.",
    ]);
    expect(await whole.json()).toMatchObject({ good: 150_000, wrong: 0 });
    expect(waits.max / 1e6).toBeLessThan(1000);
  }, 60_000);
  test("tells how far it is, and given up on the way it has kept nothing", async () => {
    const { POST } = await import("@/app/api/rooms/[roomId]/table/route");
    const lines = Array.from({ length: 60_000 }, (_, i) => `${new Date(Date.now() - (i + 1) * 60_000).toISOString()},21.5,44`);
    const send = (search: string, signal?: AbortSignal) =>
      POST(
        new Request(`http://x/?${search}`, {
          method: "POST",
          body: `time,temp °C,hum\n${lines.join("\n")}`,
          headers: { accept: "application/x-ndjson" },
          ...(signal ? { signal } : {}),
        }),
        { params: Promise.resolve({ roomId: studio.ids.room }) },
      );
    const before = (await kept()).length;
    const gone = new AbortController();
    const response = await send("keep=1", gone.signal);
    const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
    let heard = "";
    // Until it is writing them down.
    while (!/"done":0\.(5[1-9]|[6-9])/.test(heard)) {
      const { done, value } = await reader.read();
      if (done) throw new Error(`It ended before: ${heard}`);
      heard += value;
    }
    gone.abort();
    await reader.cancel();
    await new Promise((resolve) => setTimeout(resolve, 1500));
    expect((await kept()).length).toBe(before);
    const said = (await (await send("keep=1")).text())
      .trim()
      .split("\n")
      .map((line) => JSON.parse(line) as { done?: number });
    const shares = said.flatMap(({ done }) => done ?? []);
    expect(shares.length).toBeGreaterThan(5);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(said.at(-1)).toEqual({ status: 200, body: { kept: 60_000, known: 0, leftOut: 0 } });
  }, 60_000);
  test("tomorrow, and how to read it put wrong by hand, are refused line by line", async () => {
    const tomorrow = new Date(Date.now() + 2 * 86_400_000).toISOString().slice(0, 10);
    const preview = await (await take(`time,temp °C,hum\n${tomorrow} 09:00,21,40\n${day} 09:00,21,40`)).json();
    expect(preview.problems).toEqual([{ line: 2, why: "Its time lies in the future." }]);
    expect((await take(german, "reading=%7B%7D")).status).toBe(400);
  });
  test("a room of another studio takes nothing", async () => {
    const stranger = await makeStudio("stranger to it");
    expect((await take(german, "keep=1", stranger.ids.room)).status).toBe(404);
    expect((await query("select 1 from studio.reading where studio_id = $1", [stranger.ids.studioId])).length).toBe(1);
  });
});

describe("readings that should not count", () => {
  const actions = () => import("@/features/air/takenBack/actions");
  const id = () => crypto.randomUUID();
  const roll = async () => {
    const { rollUp } = await import("@/server/jobs");
    await rollUp();
  };
  const hours = async (sensorId: string) =>
    query<{ at: Date; readings: number }>(
      "select at, readings from studio.reading_hour where studio_id = $1 and sensor_id = $2 order by at",
      [studio.ids.studioId, sensorId],
    );
  const whole = () =>
    query<{ line: string }>("select r::text as line from studio.reading r where studio_id = $1 order by sensor_id, taken_at", [
      studio.ids.studioId,
    ]);
  const day = (back: number) => new Date(Date.now() - back * 86_400_000).toISOString().slice(0, 10);
  const file = (back: number, rows: readonly string[]) =>
    `time,temp °C,hum\n${rows.map((clock, i) => `${day(back)} ${clock},21,4${i}`).join("\n")}`;
  const keep = async (text: string, name: string) => {
    const { POST } = await import("@/app/api/rooms/[roomId]/table/route");
    const answer = await POST(new Request(`http://x/?keep=1&name=${name}`, { method: "POST", body: text }), {
      params: Promise.resolve({ roomId: studio.ids.room }),
    });
    return (await answer.json()) as { kept: number };
  };
  const listed = async () => {
    const result = await (await actions()).roomImports({ roomId: studio.ids.room });
    if (!result.ok) throw new Error(result.message);
    return result.data;
  };

  test("a wrong file is taken back whole, what another file brought of the same hours stays, and it comes back as it was", async () => {
    expect((await keep(file(5, ["09:00", "09:20", "10:10"]), "right.csv")).kept).toBe(3);
    expect((await keep(file(5, ["09:10", "09:20", "11:30"]), "wrong.csv")).kept).toBe(2);
    await roll();
    const before = await whole();
    const [source] = await query<{ id: string }>("select id from studio.sensor where studio_id = $1 and kind = 'file'", [
      studio.ids.studioId,
    ]);
    expect((await hours(source!.id)).map(({ readings }) => readings)).toEqual([3, 1, 1]);
    const wrong = (await listed()).imports.find(({ name }) => name === "wrong.csv")!;
    expect(wrong).toMatchObject({ readings: 2, by: "readings technician" });
    const { takeImportBack, bringReadingsBack } = await actions();
    const taking = id();
    const taken = await takeImportBack({ id: taking, importId: wrong.id });
    expect(taken).toEqual({ ok: true, data: { taken: 2 } });
    // Sent again, it is the same.
    expect(await takeImportBack({ id: taking, importId: wrong.id })).toEqual(taken);
    await roll();
    expect((await hours(source!.id)).map(({ readings }) => readings)).toEqual([2, 1]);
    expect((await whole()).length).toBe(before.length - 2);
    const now = await listed();
    expect(now.imports.map(({ name }) => name)).not.toContain("wrong.csv");
    expect(now.taken[0]).toMatchObject({ id: taking, what: "wrong.csv", readings: 2 });
    expect(await bringReadingsBack({ id: taking })).toEqual({ ok: true, data: { back: 2 } });
    expect((await bringReadingsBack({ id: taking })).ok).toBe(false);
    await roll();
    expect(await whole()).toEqual(before);
    expect((await hours(source!.id)).map(({ readings }) => readings)).toEqual([3, 1, 1]);
  });

  test("of a hygrometer, those between two times and no other, from the first on and before the second", async () => {
    const at = (clock: string) => `${day(3)}T${clock}:00.000Z`;
    const clocks = ["08:59", "09:00", "09:30", "09:59", "10:00"];
    await send({ readings: clocks.map((clock) => ({ takenAt: at(clock), temperatureC: 21, relativeHumidity: 0.9 })) });
    const left = async () =>
      (
        await query<{ at: Date }>(
          "select taken_at as at from studio.reading where studio_id = $1 and sensor_id = $2 and relative_humidity = 0.9 order by 1",
          [studio.ids.studioId, studio.ids.sensor],
        )
      ).map((row) => row.at.toISOString().slice(11, 16));
    expect(await left()).toEqual(clocks);
    const { takeReadingsBack, bringReadingsBack } = await actions();
    // The studio's clock is London's, in winter that of Greenwich.
    const form = {
      id: id(),
      sensorId: studio.ids.sensor,
      fromDay: day(3),
      fromTime: "09:00",
      toDay: day(3),
      toTime: "10:00",
      why: "Stood beside the kettle.",
    };
    expect(await takeReadingsBack({ ...form, id: id(), toTime: "09:00" })).toMatchObject({
      ok: false,
      fields: { toTime: expect.any(String) },
    });
    expect(await takeReadingsBack({ ...form, id: id(), why: " " })).toMatchObject({ ok: false, fields: { why: expect.any(String) } });
    expect(await takeReadingsBack(form)).toEqual({ ok: true, data: { taken: 3 } });
    expect(await left()).toEqual(["08:59", "10:00"]);
    expect(await takeReadingsBack({ ...form, id: id() })).toMatchObject({ ok: false, message: expect.stringMatching(/no reading/) });
    expect((await listed()).taken[0]).toMatchObject({ why: "Stood beside the kettle.", readings: 3 });
    // One of the same moment that came meanwhile stays; the others come back beside it.
    await query(
      "insert into studio.reading (studio_id, sensor_id, taken_at, room_id, temperature_c, relative_humidity) values ($1, $2, $3, $4, 21, 0.9)",
      [studio.ids.studioId, studio.ids.sensor, at("09:30"), studio.ids.room],
    );
    expect(await bringReadingsBack({ id: form.id })).toEqual({ ok: true, data: { back: 2 } });
    expect(await left()).toEqual(clocks);
  });
});

describe("a sensor set right", () => {
  const now = async () => {
    const { roomsWithAir } = await import("@/features/air/data");
    return (await roomsWithAir(acting()))[0]!.air!;
  };
  const calibrate = async (form: object) => (await import("@/features/air/actions")).calibrate({ sensorId: studio.ids.sensor, ...form });

  test("over salt: what it reads stays as read, what is shown is put right from then on", async () => {
    await send({ readings: [reading(60, 0.4)] });
    expect((await now()).relativeHumidity).toBeCloseTo(0.4, 9);
    const done = await calibrate({ how: "salt", temperature: "25", humidity: "71,3" });
    // 75.29 % at 25 °C (Greenspan 1977, from memory) less 71.3 shown.
    expect(done.ok && done.data.humidityOffset).toBeCloseTo(0.0399, 4);
    expect((await now()).relativeHumidity).toBeCloseTo(0.4, 9);
    await new Promise((resolve) => setTimeout(resolve, 1100));
    await send({ readings: [reading(0, 0.4)] });
    expect((await now()).relativeHumidity).toBeCloseTo(0.4399, 4);
    expect((await kept()).at(-1)!.rh).toBe(0.4);
  });
  test("a test that cannot be is refused with what to look at, and a trainee sets nothing", async () => {
    expect(await calibrate({ how: "salt", temperature: "25", humidity: "40" })).toMatchObject({
      ok: false,
      message: expect.stringMatching(/bag tight/),
    });
    actAs(studio.member("trainee"));
    expect(await calibrate({ how: "typed", humidityOffset: "1", temperatureOffset: "0" })).toMatchObject({ ok: false });
  });
});

describe("whose word is the room's air", () => {
  const air = async () => (await (await import("@/features/air/data")).roomsWithAir(acting()))[0]!.air!;
  test("a hygrometer that is heard, not what was typed beside it; once it is silent, who spoke last", async () => {
    const { typeReading } = await import("@/features/air/actions");
    await send({ readings: [reading(30, 0.41)] });
    expect(await typeReading({ roomId: studio.ids.room, temperature: "20", humidity: "55" })).toMatchObject({ ok: true });
    expect(await air()).toMatchObject({ by: "sensor", relativeHumidity: 0.41 });
    await query("delete from studio.reading where sensor_id = $1 and taken_at > now() - interval '20 minutes'", [studio.ids.sensor]);
    expect(await air()).toMatchObject({ by: "typed by hand", relativeHumidity: 0.55 });
  });
});

test("the day as a chart: five minutes a point, lowest and highest kept, a week by the hour", async () => {
  const { GET } = await import("@/app/api/rooms/[roomId]/history/route");
  await send({ readings: [reading(200, 0.4), reading(190, 0.58), reading(180, 0.44)] });
  await (await import("@/server/jobs")).rollUp();
  const ask = async (search: string) => GET(new Request(`http://x/?${search}`), { params: Promise.resolve({ roomId: studio.ids.room }) });
  const day = await (await ask("span=day")).json();
  const points = day.sensors[0].points as { atMs: number; humidityLow: number; humidityHigh: number }[];
  expect(points.every(({ atMs }) => atMs % 300_000 === 0)).toBe(true);
  expect(Math.max(...points.map(({ humidityHigh }) => humidityHigh))).toBeCloseTo(0.58, 6);
  const week = await (await ask("span=week")).json();
  expect(week.to - week.from).toBeGreaterThan(6.9 * 86_400_000);
  expect((await ask("span=year")).status).toBe(400);
});
