import { randomUUID } from "node:crypto";
import { chromium, type Page } from "@playwright/test";
import pg from "pg";
import { doseCurve, cureLedger } from "@/core/adhesive";
import { cureSettings, defaultPolicy } from "@/core/policy";
import { EVENT_KINDS, placedLashesOf, VisitFold, visitState, type EventType, type KeptEvent } from "@/core/visit";
import { CHROMIUM } from "../scripts/lib/chromium.mjs";
import { median, medianMs, ms, percentile, printTable, ratioOf, type Row } from "./measure";
import { SCRIPT_AND_PAINT, whatFollows } from "./trace";
import { signedInPage } from "./signedIn";

/** Asked of the built app that scripts/bench.mjs started: what one tap costs the page with a long visit behind it, slowed. */
const { IVY_BENCH_URL: url, IVY_BENCH_PASSWORD: password, IVY_BENCH_OWNER: ownerUrl } = process.env;
if (!url || !password || !ownerUrl) throw new Error("Run `npm run bench`: it starts what this needs.");

const THROTTLE = 4;
const FRAME_MS = 1000 / 60;
const TAPS_BEHIND = 600;
const TAPS = 100;
const HOURS = 4;

const air = { temperatureC: 22, relativeHumidity: 0.5 };
const now = Date.now();
/** A long visit: a bead each twelve minutes with its brush, lashes placed and taken back, set anew, pauses. */
function longVisit(count: number, visitId: string, zones: number): KeptEvent[] {
  const events: KeptEvent[] = [];
  for (let i = 0; i < count; i++) {
    const at = new Date(now - HOURS * 3_600_000 + (i * (HOURS * 3_600_000 - 60_000)) / count).toISOString();
    const of = (type: EventType, payload: Record<string, unknown>) =>
      events.push({
        id: randomUUID(),
        visitId,
        at,
        clock: "checked",
        type,
        version: EVENT_KINDS[type].version,
        payload,
        serverTime: at,
        seq: i + 1,
      });
    if (i === 0) of("started", { bottleId: null, air });
    else if (i % 30 === 1) of("beadPlaced", { lifeS: 900, air, bottleId: null });
    else if (i % 30 === 2) of("checked", { off: i % 3, of: 24 });
    else if (i % 30 === 17) of("undone", { eventId: events.at(-1)!.id });
    else if (i % 4 === 0) of("paused", { why: null });
    else if (i % 4 === 2) of("resumed", {});
    else {
      const spot = { side: i % 8 < 4 ? "right" : "left", layer: 0, zone: 2 + (i % (zones - 2)), piece: 0, n: 1 };
      if (i % 8 === 1) of("lashRedone", { ...spot, why: "leaned" });
      else of("lashPlaced", spot);
    }
  }
  return events;
}

// What is reckoned, by itself: does ten times as much cost ten times as much, and no more?
{
  const readings = Array.from({ length: HOURS * 60 }, (_, i) => ({
    ...air,
    atMs: now - HOURS * 3_600_000 + i * 60_000,
    relativeHumidity: 0.45 + 0.1 * Math.sin(i),
  }));
  const settings = cureSettings(defaultPolicy);
  const table: Row[] = [];
  const perTap = (count: number) => {
    const events = longVisit(count, randomUUID(), 40);
    const fold = VisitFold.empty.add(events);
    const one = { ...events.at(-1)!, id: randomUUID(), at: new Date(now).toISOString(), serverTime: null, seq: null };
    const curve = doseCurve(readings);
    let beat = now;
    return {
      whole: medianMs(() => visitState(events)),
      one: medianMs(() => fold.add([one])),
      undo: medianMs(() => fold.add([{ ...one, type: "undone", payload: { eventId: events.at(-9)!.id } }])),
      ledger: medianMs(() => cureLedger(placedLashesOf(fold.state, (beat += 1000)), curve, beat, settings)),
    };
  };
  const [small, large] = [perTap(60), perTap(TAPS_BEHIND)];
  table.push({
    what: `whole fold of ${TAPS_BEHIND} taps, against ten folds of 60`,
    ours: ms(large.whole),
    yardstick: ms(10 * small.whole),
    ratio: ratioOf(large.whole, 10 * small.whole),
  });
  table.push({
    what: `one more tap after ${TAPS_BEHIND}, against the whole fold`,
    ours: ms(large.one),
    yardstick: ms(large.whole),
    ratio: ratioOf(large.one, large.whole),
  });
  table.push({
    what: `one taken back of ${TAPS_BEHIND}, against the whole fold`,
    ours: ms(large.undo),
    yardstick: ms(large.whole),
    ratio: ratioOf(large.undo, large.whole),
  });
  table.push({
    what: `the ledger a second later, ${HOURS} h of readings, against the whole fold`,
    ours: ms(large.ledger),
    yardstick: ms(large.whole),
    ratio: ratioOf(large.ledger, large.whole),
  });
  printTable("Reckoned in Node, not slowed", table);
}

const db = new pg.Client({ connectionString: ownerUrl });
await db.connect();
const [visitId, sensorId] = [randomUUID(), randomUUID()];
const { rows } = await db.query<{
  studio_id: string;
  member: string;
  room: string;
  chair: string;
  client: string;
  map: string;
  zones: number;
}>(
  `select s.studio_id, m.id as member, c.room_id as room, c.id as chair, lm.client_id as client, lm.id as map,
     jsonb_array_length(r.document->'eyes'->'right'->'layers'->0->'zones') as zones
   from studio.studio s join studio.member m on m.studio_id = s.studio_id and m.role = 'owner' join studio.chair c on c.studio_id = s.studio_id
   join studio.lash_map lm on lm.studio_id = s.studio_id join studio.lash_map_revision r on r.studio_id = lm.studio_id and r.map_id = lm.id and r.revision = 1
   order by zones desc limit 1`,
);
const { studio_id: studioId, member, room, chair, client, map, zones } = rows[0]!;
await db.query(
  "insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time, map_id, map_revision) values ($1, $2, $3, $4, $5, $6, 'newSet', $7, 300, false, $8, 1)",
  [studioId, visitId, client, member, room, chair, new Date(now - HOURS * 3_600_000), map],
);
const taps = longVisit(TAPS_BEHIND, visitId, zones);
for (const { id, at, type, payload, seq } of taps)
  await db.query(
    "insert into studio.visit_event (studio_id, visit_id, id, at, server_time, clock, type, payload, member_id, seq) values ($1, $2, $3, $4, $4, 'checked', $5, $6, $7, $8)",
    [studioId, visitId, id, at, type, payload, member, seq],
  );
await db.query("update studio.visit set last_seq = $2 where id = $1", [visitId, taps.length]);
await db.query("insert into studio.sensor (studio_id, id, room_id, name) values ($1, $2, $3, 'Bench taps')", [studioId, sensorId, room]);
await db.query(
  `insert into studio.reading (studio_id, room_id, sensor_id, taken_at, temperature_c, relative_humidity)
   select $1, $2, $3, now() - n * interval '1 minute', 22, 0.5 from generate_series(0, $4::int) n`,
  [studioId, room, sensorId, HOURS * 60],
);
await db.end();

const browser = await chromium.launch(CHROMIUM);
try {
  const page = await signedInPage(browser, url, password);
  await page.goto(`/visits/${visitId}`);
  await page.getByTestId("next-lash").waitFor();
  await page.waitForTimeout(2500);
  const slowed = async (one: Page) => {
    const session = await one.context().newCDPSession(one);
    await session.send("Emulation.setCPUThrottlingRate", { rate: THROTTLE });
    return session;
  };
  let cdp = await slowed(page);
  const press = async (count: number) => {
    for (let i = 0; i < count; i++) {
      for (const type of ["keyDown", "keyUp"] as const)
        await cdp.send("Input.dispatchKeyEvent", {
          type,
          key: " ",
          code: "Space",
          windowsVirtualKeyCode: 32,
          ...(type === "keyDown" ? { text: " " } : {}),
        });
      // Nothing is asked of the page meanwhile, so that all its work is its own.
      await new Promise((resolve) => setTimeout(resolve, 450));
    }
  };
  // Once without looking: what a browser first has to compile is not what a tap costs.
  await press(20);
  await browser.startTracing(page, { categories: ["devtools.timeline"] });
  await press(TAPS);
  const followed = whatFollows(await browser.stopTracing(), "keydown", SCRIPT_AND_PAINT);
  const table: Row[] = [];
  const row = (what: string, value: number) =>
    table.push({ what, ours: ms(value), yardstick: `frame ${FRAME_MS.toFixed(1)} ms`, ratio: ratioOf(value, FRAME_MS) });
  const until = followed.map(({ untilShown }) => untilShown);
  row(`fold, ledger, clocks and paint until it is shown, 95th percentile of ${until.length} taps`, percentile(until, 0.95));
  row("the same, median", median(until));
  row(
    "longest unbroken stretch until the next tap, 95th percentile",
    percentile(
      followed.map(({ longest }) => longest),
      0.95,
    ),
  );
  row("all that follows, with what the server answers, until the next tap, median", median(followed.map(({ all }) => all)));
  // What the browser itself takes: a page with nothing on it but a number, one more at each key.
  const bare = await browser.newPage();
  await bare.setContent("<p>0</p>");
  await bare.evaluate(() => addEventListener("keydown", () => (document.querySelector("p")!.textContent += "1")));
  cdp = await slowed(bare);
  await press(5);
  await browser.startTracing(bare, { categories: ["devtools.timeline"] });
  await press(TAPS / 4);
  const least = median(whatFollows(await browser.stopTracing(), "keydown", SCRIPT_AND_PAINT).map(({ untilShown }) => untilShown));
  table.push({
    what: "until it is shown, median, against a page that shows a number alone",
    ours: ms(median(until)),
    yardstick: ms(least),
    ratio: ratioOf(median(until), least),
  });
  printTable(`A lash at the bed, by key, with ${TAPS_BEHIND} behind it, processor slowed ${THROTTLE} times`, table);
  if (percentile(until, 0.95) > FRAME_MS) console.log("  Over one frame.");
} finally {
  await browser.close();
}
