import type { Page } from "@playwright/test";
import { database, expect, keysAreHeard, test } from "./support";

const VISIT = "11111111-1111-4111-8111-111111111118";
const clear = `delete from studio.visit_event where visit_id = '${VISIT}'`;
const HOUR_MS = 3_600_000;

/** A set of Ottilie's map, 213 lashes, its own visit; begun so many minutes ago, its first bead out a minute later. */
const begin = (minutesAgo: number) =>
  database(async (db) => {
    await db.query(`insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time, map_id, map_revision)
      select m.studio_id, '${VISIT}', lm.client_id, m.id, c.room_id, c.id, 'newSet', now() - interval '3 hours', 180, false, lm.id, 1
      from studio.lash_map lm join studio.client cl on cl.id = lm.client_id and cl.name like 'Ottilie%'
      join studio.member m on m.studio_id = lm.studio_id and m.role = 'owner'
      join studio.chair c on c.studio_id = lm.studio_id order by c.id limit 1 on conflict do nothing`);
    await db.query(clear);
    await db.query(
      `insert into studio.visit_event (studio_id, visit_id, id, at, server_time, clock, type, payload, member_id)
      select v.studio_id, v.id, gen_random_uuid(), now() - make_interval(mins => $1 - x.minute), now() - make_interval(mins => $1 - x.minute), 'checked', x.type, x.payload, v.technician_id from studio.visit v,
      (values (0, 'started', '{"bottleId":null,"air":null}'::jsonb),
        (1, 'beadPlaced', '{"lifeS":900,"air":null,"bottleId":null}'::jsonb)) as x(minute, type, payload)
      where v.id = '${VISIT}'`,
      [minutesAgo],
    );
  });
test.afterAll(() => database((db) => db.query(clear)));

const sum = (page: Page, what: "placed" | "planned") =>
  page
    .locator(`[data-bed] [data-${what}]`)
    .evaluateAll((zones, name) => zones.reduce((total, zone) => total + Number(zone.getAttribute(`data-${name}`)), 0), what);
const kept = async (type: string) =>
  (
    await database((db) =>
      db.query("select at, payload from studio.visit_event where visit_id = $1 and type = $2 order by at", [VISIT, type]),
    )
  ).rows as { at: Date; payload: Record<string, unknown> }[];

test("two hours at true intervals: every press is one lash, with checks due, over reloads, an hour offline and a second tablet", async ({
  page,
}) => {
  test.setTimeout(300_000);
  await begin(170);
  // The room's time runs as the test says, and the server's word for it with it.
  let nowMs = Date.now() - 168 * 60_000;
  await page.context().route("**/api/time", (route) => route.fulfill({ json: { serverMs: nowMs } }));
  await page.clock.install({ time: nowMs });
  await page.goto(`/visits/${VISIT}`);
  await expect(page.getByTestId("next-lash")).toBeVisible();
  await keysAreHeard(page);
  await page.clock.runFor(1000);
  if ((await page.getByTestId("next-lash").count()) === 0) await page.getByRole("button", { name: "To the bed" }).click();
  const planned = await sum(page, "planned");
  expect(planned).toBeGreaterThan(200);

  const pass = async (seconds: number) => {
    nowMs += seconds * 1000;
    await page.clock.fastForward(seconds * 1000);
  };
  const beganMs = nowMs;
  let [placed, beadMs, checks] = [0, nowMs, 0];
  let offline = false;
  // Unhurried and uneven, the same each time: 23 to 41 seconds.
  const interval = (i: number) => 23 + ((i * 7919) % 19);
  while (placed < planned) {
    await pass(interval(placed));
    if (nowMs - beadMs > 14 * 60_000) {
      await page.keyboard.press("n");
      beadMs = nowMs;
      // The check is due now, and every other time it is answered ten lashes late: no press is lost to it.
    }
    if ((await page.getByTestId("bed-check").innerText()).startsWith("brushed") && nowMs - beadMs > (checks % 2 ? 300_000 : 20_000)) {
      await page.keyboard.press("c");
      checks += 1;
    }
    await page.keyboard.press("Space");
    placed += 1;
    if (placed === 40 || placed === 130) {
      await page.clock.runFor(500);
      await page.reload();
      await expect(page.getByTestId("next-lash")).toBeVisible();
      await expect.poll(() => sum(page, "placed")).toBe(placed);
    }
    if (placed === 60) {
      // Another tablet in the same room places one.
      const other = await page.context().newPage();
      await other.goto(`/visits/${VISIT}`);
      await expect.poll(() => sum(other, "placed")).toBe(60);
      await other.keyboard.press("Space");
      await other.clock.runFor(2000);
      await expect.poll(async () => (await kept("lashPlaced")).length, { timeout: 20_000 }).toBeGreaterThan(60);
      await other.close();
      placed += 1;
      await page.clock.runFor(32_000);
      nowMs += 34_000;
      await expect.poll(() => sum(page, "placed"), { timeout: 20_000 }).toBe(61);
    }
    if (placed === 80) {
      await page.context().route("**/api/visits/**", (route) => route.abort());
      offline = true;
    }
    if (offline && nowMs - beganMs > HOUR_MS + 80 * 30_000) {
      await page.context().unroute("**/api/visits/**");
      offline = false;
    }
  }
  await page.context().unroute("**/api/visits/**");
  await page.clock.runFor(40_000);
  await expect(page.getByText("All placed")).toBeVisible();
  expect(await sum(page, "placed")).toBe(planned);
  expect(nowMs - beganMs).toBeGreaterThan(1.7 * HOUR_MS);
  await expect
    .poll(async () => (await kept("lashPlaced")).reduce((total, { payload }) => total + Number(payload.n), 0), { timeout: 30_000 })
    .toBe(planned);
  expect(await kept("checked")).toHaveLength(checks);
  expect(checks).toBeGreaterThan(3);
  // Each stands at its own time: the gaps are those that were made, to within a second.
  const at = (await kept("lashPlaced")).map((one) => one.at.getTime());
  const gaps = at.slice(1).map((ms, i) => (ms - at[i]!) / 1000);
  expect(gaps.filter((s) => s > 22 && s < 42.5).length).toBeGreaterThan(planned - 12);
  expect((at.at(-1)! - at[0]!) / HOUR_MS).toBeGreaterThan(1.7);
});

test("the whole set at four a second: counts equal taps, with a check due all the while", async ({ page }) => {
  test.setTimeout(240_000);
  await begin(20);
  await page.goto(`/visits/${VISIT}`);
  await expect(page.getByTestId("next-lash")).toBeVisible();
  await keysAreHeard(page);
  await page.waitForTimeout(200);
  if ((await page.getByTestId("next-lash").count()) === 0) await page.getByRole("button", { name: "To the bed" }).click();
  const planned = await sum(page, "planned");
  // A check owed for the bead and one for tape: neither is in the way.
  await page.keyboard.press("n");
  await page.keyboard.press("a");
  await page.keyboard.press("1");
  await expect(page.getByTestId("bed-check")).toContainText("brushed, eyes closed");
  let taps = 0;
  // A quarter of a second from press to press, and none hurried after a late one: two within 120 ms would be one slip.
  for (let [downMs, upMs] = [0, 0]; taps < planned; taps++) {
    await page.waitForTimeout(Math.max(0, downMs + 250 - Date.now(), upMs + 150 - Date.now()));
    downMs = Date.now();
    await page.keyboard.press("Space");
    upMs = Date.now();
  }
  await expect(page.getByText("All placed")).toBeVisible();
  expect(await sum(page, "placed")).toBe(taps);
  await expect.poll(async () => (await kept("lashPlaced")).length, { timeout: 30_000 }).toBe(taps);
  await page.keyboard.press("c");
  await expect(page.getByTestId("bed-check")).toContainText(/^eyes closed/);
});
