import type { Page } from "@playwright/test";
import { database, expect, keysAreHeard, test } from "./support";

const VISIT = "11111111-1111-4111-8111-111111111116";
const clear = `delete from studio.visit_event where visit_id = '${VISIT}'`;

/** A set of Calla's map at its first bead, its own visit, begun anew for every test. */
test.beforeEach(() =>
  database(async (db) => {
    await db.query(`insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time, map_id, map_revision)
      select m.studio_id, '${VISIT}', lm.client_id, m.id, c.room_id, c.id, 'newSet', now(), 180, false, lm.id, 1
      from studio.lash_map lm join studio.client cl on cl.id = lm.client_id and cl.name like 'Calla%'
      join studio.member m on m.studio_id = lm.studio_id and m.role = 'owner'
      join studio.chair c on c.studio_id = lm.studio_id order by c.id limit 1 on conflict do nothing`);
    await db.query(clear);
    await db.query(`insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id)
      select v.studio_id, v.id, gen_random_uuid(), now() - x.ago, 'checked', x.type, x.payload, v.technician_id from studio.visit v,
      (values (interval '5 minutes', 'started', '{"bottleId":null,"air":null}'::jsonb),
        (interval '1 minute', 'beadPlaced', '{"lifeS":900,"air":null,"bottleId":null}'::jsonb)) as x(ago, type, payload)
      where v.id = '${VISIT}'`);
  }),
);
test.afterAll(() => database((db) => db.query(clear)));

const toTheBed = async (page: Page) => {
  await page.goto(`/visits/${VISIT}`);
  await expect(page.getByTestId("next-lash")).toBeVisible();
  await keysAreHeard(page);
  // The help's Escape was the page's too.
  await page.waitForTimeout(150);
  if ((await page.getByTestId("next-lash").count()) === 0) await page.getByRole("button", { name: "To the bed" }).click();
};
/** Lashes as the drawing counts them, both eyes. */
const placed = async (page: Page) =>
  (
    await page.locator("[data-bed] [data-placed]").evaluateAll((zones) => zones.map((zone) => Number(zone.getAttribute("data-placed"))))
  ).reduce((sum, n) => sum + n, 0);
const spot = (page: Page) => page.getByTestId("next-lash").getAttribute("data-spot");
const kept = (type: string) =>
  database(
    async (db) =>
      (await db.query("select payload from studio.visit_event where visit_id = $1 and type = $2 order by at", [VISIT, type])).rows,
  );
/** No two presses within the time of one slip. */
const press = async (page: Page, key: string) => {
  await page.keyboard.press(key);
  await page.waitForTimeout(140);
};

test("each lash has its dot while its glue is wet, and tape moves marks, lashes and dots", async ({ page }) => {
  await toTheBed(page);
  const wet = page.locator("[data-bed] canvas[data-wet]");
  await expect(wet).toHaveAttribute("data-wet", "0");
  await press(page, "Space");
  await expect(wet).toHaveAttribute("data-wet", "1");
  await press(page, "Space");
  await expect(wet).toHaveAttribute("data-wet", "2");
  await press(page, "Backspace");
  await expect(wet).toHaveAttribute("data-wet", "1");
  // With a whole zone set, the first lash of the next has a wet one beside it: how long is said.
  await press(page, "Shift+Space");
  await expect(page.locator("[data-bed] svg")).toContainText(/wet [1-9]\d? s/);
  const side = (await spot(page))!.split(" ")[0]!;
  const corner = page.locator(`[data-zone="${side} 1"] path`).first();
  const inked = () =>
    page.evaluate(() =>
      [...document.querySelectorAll<HTMLCanvasElement>("[data-bed] canvas")].map((canvas) => canvas.toDataURL().length).join(" "),
    );
  const [mark, ink] = [await corner.getAttribute("d"), await inked()];
  await press(page, "a");
  await page.getByRole("button", { name: "inner corner drawn" }).click();
  await expect(corner).not.toHaveAttribute("d", mark!);
  expect(await inked()).not.toBe(ink);
  await press(page, "a");
  await page.getByRole("button", { name: "take off: inner corner drawn" }).click();
  await expect(corner).toHaveAttribute("d", mark!);
});

test("one press a lash whatever was touched before, and Backspace takes the last back", async ({ page }) => {
  test.setTimeout(120_000);
  await toTheBed(page);
  expect(await placed(page)).toBe(0);
  let count = 0;
  const buttons = page.getByRole("group", { name: "At the bed" }).getByRole("button");
  const names = await buttons.evaluateAll((all) => all.map((one) => one.textContent));
  expect(names.length).toBeGreaterThan(10);
  for (const button of ["other eye", "tape", "redone", "pause", "shake", "new bead"]) {
    await page.getByRole("button", { name: button, exact: true }).click();
    const escape = page.getByRole("button", { name: /^(none of it|not said)$/ });
    if (await escape.count()) await escape.click();
    // A pause is gone on from first.
    if (button === "pause") await press(page, "Space");
    await press(page, "Space");
    count += 1;
    await expect.poll(() => placed(page), button).toBe(count);
  }
  // A zone that was touched is worked next, and Space places there; it takes nothing back.
  await page.locator('[data-hit="left 4"]').click();
  expect(await spot(page)).toMatch(/^left \d 4 /);
  await press(page, "Space");
  await expect.poll(() => placed(page)).toBe(count + 1);
  await expect(page.locator('[data-zone="left 4"]')).toHaveAttribute("data-placed", /[1-9]/);
  // The check that the new bead owes is in nobody's way, and one key answers it.
  await expect(page.getByTestId("bed-check")).toContainText("brushed, eyes closed");
  await page.keyboard.press("c");
  await expect(page.getByTestId("bed-check")).toContainText(/^eyes closed/);
  // One after the other is taken back, the check first.
  await press(page, "Backspace");
  await expect(page.getByTestId("bed-check")).toContainText("brushed, eyes closed");
  await press(page, "Backspace");
  await expect.poll(() => placed(page)).toBe(count);
  // On the visit's page the pedal is the pedal all the same, and leads back to the bed.
  await page.getByRole("button", { name: "visit page" }).click();
  await page.getByRole("button", { name: "It will not grab" }).click();
  // While a sheet lies over the page its keys rest.
  const sheet = page.getByRole("dialog", { name: "It will not grab" });
  await expect(sheet).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(sheet).toBeHidden();
  await press(page, "Space");
  await expect(page.getByTestId("next-lash")).toBeVisible();
  await expect.poll(() => placed(page)).toBe(count + 1);
});

test("zones by digit, arrow and touch, the rest of one held, redone with why, four taps a second all, a slip once", async ({ page }) => {
  await toTheBed(page);
  await page.keyboard.press("5");
  const at = (await spot(page))!;
  expect(at).toMatch(/^\w+ \d 5 /);
  await page.keyboard.press("ArrowRight");
  expect(await spot(page)).not.toBe(at);
  await page.keyboard.press("ArrowLeft");
  expect(await spot(page)).toBe(at);
  await page.keyboard.press("ArrowUp");
  expect((await spot(page))!.split(" ")[0]).not.toBe(at.split(" ")[0]);
  await page.keyboard.press("ArrowDown");
  expect(await spot(page)).toBe(at);

  for (let i = 0; i < 12; i++) {
    await page.keyboard.press("Space");
    await page.waitForTimeout(250);
  }
  await expect.poll(() => placed(page)).toBe(12);
  await page.waitForTimeout(200);
  await page.keyboard.press("Space");
  await page.keyboard.press("Space");
  await expect.poll(() => placed(page)).toBe(13);

  // A page that was busy hears presses late, one right after the other: made a quarter of a second apart they are all lashes,
  // the last, made with the one before it, is a slip.
  await page.waitForTimeout(200);
  await page.evaluate(async () => {
    const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
    const made = (type: "keydown" | "keyup") => new KeyboardEvent(type, { key: " ", code: "Space", bubbles: true, cancelable: true });
    const presses = [made("keydown")];
    await wait(250);
    presses.push(made("keydown"));
    await wait(250);
    presses.push(made("keydown"), made("keydown"));
    for (const press of presses) {
      document.body.dispatchEvent(press);
      document.body.dispatchEvent(made("keyup"));
      await wait(0);
    }
  });
  await expect.poll(() => placed(page)).toBe(16);

  await page.keyboard.press("6");
  const [side] = (await spot(page))!.split(" ");
  await page.keyboard.press("Shift+Space");
  const zone = page.locator(`[data-zone="${side} 6"]`);
  await expect.poll(async () => (await zone.getAttribute("data-placed")) === (await zone.getAttribute("data-planned"))).toBe(true);
  await page.keyboard.press("Backspace");
  await page.keyboard.press("r");
  await expect(page.getByRole("group", { name: /set anew. Why/ })).toBeVisible();
  await page.keyboard.press("2");
  await expect(page.getByTestId("bed-says")).toContainText("1 redone");
  await expect.poll(async () => (await kept("lashRedone")).map(({ payload }) => payload.why)).toEqual(["lifted"]);

  // Tape owes a look at the closed eyes, on and off.
  await page.keyboard.press("a");
  await page.keyboard.press("1");
  await expect(page.getByTestId("bed-says")).toContainText(/Tape on the (left|right): lid lifted/);
  await expect(page.getByTestId("bed-check")).toContainText("brushed, eyes closed");
  await page.keyboard.press("c");
  await page.keyboard.press("a");
  await page.getByRole("button", { name: "take off: lid lifted to the brow" }).click();
  await expect(page.getByTestId("bed-check")).toContainText("brushed, eyes closed");
  // Some came off: counted of what was placed since the last brush.
  await page.keyboard.press("Space");
  await page.waitForTimeout(300);
  await page.keyboard.press("o");
  await page.keyboard.press("1");
  await expect.poll(async () => (await kept("checked")).at(-1)?.payload).toEqual({ off: 1, of: 1 });

  // A pause stops the clock of nothing, is named afterwards, and Space goes on without a lash.
  const before = await placed(page);
  await page.keyboard.press("p");
  await expect(page.getByTestId("pause-clock")).toBeVisible();
  await page.keyboard.press("2");
  await press(page, "Space");
  await expect(page.getByTestId("big-clock")).toBeVisible();
  expect(await placed(page)).toBe(before);
  await expect.poll(async () => (await kept("paused")).map(({ payload }) => payload.why)).toEqual([null, "sneezed"]);
});

test("minutes: what remains planned again, shown before and after, taken or not, and the whole plan again", async ({ page }) => {
  await toTheBed(page);
  for (let i = 0; i < 6; i++) await press(page, "Space");
  const planned = async () =>
    (
      await page.locator("[data-bed] [data-planned]").evaluateAll((zones) => zones.map((zone) => Number(zone.getAttribute("data-planned"))))
    ).reduce((sum, n) => sum + n, 0);
  const whole = await planned();
  await page.keyboard.press("m");
  await page.getByRole("button", { name: "30 min" }).click();
  const proposal = page.getByTestId("proposal");
  await expect(proposal).toContainText(/\d+ more/);
  await expect(proposal).toContainText(/\d+\s%\s→\s\d+\s%/);
  await expect(proposal).toContainText("last check and drying");
  await expect(page.locator("[data-then]").first()).toBeAttached();
  // Not taken, nothing has changed.
  await page.keyboard.press("Escape");
  await expect(proposal).toHaveCount(0);
  expect(await planned()).toBe(whole);
  await page.keyboard.press("m");
  await page.keyboard.press("3");
  const more = Number(/(\d+) more/.exec((await proposal.innerText()).replace(/\s+/g, " "))![1]);
  await page.keyboard.press("1");
  await expect.poll(planned).toBe(6 + more);
  await expect(page.getByTestId("bed-says")).toContainText("planned again for 30 min");
  // A quarter of an hour goes to checks and drying first: hardly a lash.
  await page.keyboard.press("m");
  await page.keyboard.press("1");
  await expect(proposal).toContainText(/^\d+ more/);
  await page.keyboard.press("Escape");
  await page.keyboard.press("m");
  await page.getByRole("button", { name: "the whole plan again" }).click();
  await expect.poll(planned).toBe(whole);
  // Taken back, the shorter one stands again.
  await press(page, "Backspace");
  await expect.poll(planned).toBe(6 + more);
  await page.keyboard.press("k");
  await expect(page.getByTestId("bed-says")).toContainText("hold and dry 25 % longer");
  // The client must leave now: the drying, its clock, and the caution before it ends.
  await page.keyboard.press("m");
  await page.getByRole("button", { name: /^leave now: dry \d/ }).click();
  const eyes = page.getByTestId("eyes-clock");
  await expect(eyes).toHaveAttribute("data-state", "shut");
  await expect(eyes).toContainText("because the client talked or moved");
  await page.getByRole("button", { name: "The client must leave now" }).click();
  await expect(page.getByText("The cure is not there yet.")).toBeVisible();
});

test("by keyboard alone: every button by Tab and Enter, and Space is still the pedal", async ({ page }) => {
  await toTheBed(page);
  const focused = () => page.evaluate(() => document.activeElement?.textContent ?? "");
  for (let i = 0; i < 30 && !(await focused()).startsWith("other eye"); i++) await page.keyboard.press("Tab");
  expect(await focused()).toContain("other eye");
  const before = await spot(page);
  await page.keyboard.press("Enter");
  await expect.poll(() => spot(page)).not.toBe(before);
  await press(page, "Space");
  await expect.poll(() => placed(page)).toBe(1);
  for (let i = 0; i < 30 && !(await focused()).startsWith("pause"); i++) await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(page.getByTestId("pause-clock")).toBeVisible();
});

test("a second tablet, a reload and an hour without the server lose no lash", async ({ page }) => {
  await toTheBed(page);
  for (let i = 0; i < 5; i++) await press(page, "Space");
  await expect.poll(async () => (await kept("lashPlaced")).length).toBe(5);
  const other = await page.context().newPage();
  await other.goto(`/visits/${VISIT}`);
  await expect.poll(() => placed(other)).toBe(5);
  await press(other, "Space");
  await expect.poll(() => placed(page)).toBe(6);
  await page.route("**/api/visits/**", (route) => route.abort());
  for (let i = 0; i < 4; i++) await press(page, "Space");
  await expect(page.getByTestId("bed-waits")).toContainText(/No server, \d taps kept here/);
  await page.reload();
  await expect.poll(() => placed(page)).toBe(10);
  await page.unroute("**/api/visits/**");
  await expect.poll(async () => (await kept("lashPlaced")).length, { timeout: 20_000 }).toBe(10);
  await expect.poll(() => placed(other)).toBe(10);
});

test("a whole set by Space alone: to the last lash, the drying, and the end once the eyes may open", async ({ page }) => {
  test.setTimeout(180_000);
  await toTheBed(page);
  const planned = (
    await page.locator("[data-bed] [data-planned]").evaluateAll((zones) => zones.map((z) => Number(z.getAttribute("data-planned"))))
  ).reduce((sum, n) => sum + n, 0);
  expect(planned).toBeGreaterThan(60);
  // Whole zones at a press, so that the last lash is soon reached; then each by itself.
  for (let i = 0; i < 120 && (await spot(page)) !== ""; i++) await press(page, "Shift+Space");
  await expect(page.getByText("All placed")).toBeVisible();
  await press(page, "Space");
  await expect(page.getByTestId("eyes-clock")).toHaveAttribute("data-state", "shut");
  // Before the cure is there the pedal ends nothing.
  await press(page, "Space");
  await press(page, "Space");
  await expect(page.getByTestId("eyes-clock")).toHaveAttribute("data-state", "shut");
  await database((db) =>
    db.query(
      "update studio.visit_event set at = at - interval '20 minutes', server_time = server_time - interval '20 minutes' where visit_id = $1",
      [VISIT],
    ),
  );
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) if (name) indexedDB.deleteDatabase(name);
  });
  await page.reload();
  await expect(page.getByTestId("eyes-clock")).toHaveAttribute("data-state", "may");
  await keysAreHeard(page);
  await press(page, "Space");
  await expect(page.getByRole("heading", { name: "Done and kept" })).toBeVisible();
  await expect(page.getByRole("region", { name: "The visit as it was kept" })).toContainText(`${planned} of ${planned} lashes`);
});

test.describe("without the server", () => {
  test.use({ serviceWorkers: "allow" });

  test("the page of the visit loads again, clocks and taps go on, and all arrives; nothing of it stays after signing out", async ({
    page,
    context,
  }) => {
    test.setTimeout(120_000);
    await toTheBed(page);
    for (let i = 0; i < 3; i++) await press(page, "Space");
    const keptPages = () =>
      page.evaluate(async () => {
        const found: string[] = [];
        for (const name of await caches.keys())
          for (const { url } of await (await caches.open(name)).keys()) found.push(new URL(url).pathname);
        return found;
      });
    await expect.poll(async () => (await keptPages()).some((path) => path.startsWith("/visits/")), { timeout: 20_000 }).toBe(true);
    await expect.poll(async () => (await keptPages()).length, { timeout: 20_000 }).toBeGreaterThan(5);
    // What is fetched late is looked for once more.
    await page.waitForTimeout(9000);
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByTestId("next-lash")).toBeVisible();
    await expect.poll(() => placed(page)).toBe(3);
    await expect(page.getByTestId("big-clock")).toContainText(/bead 1.*1\d:\d\d/);
    for (let i = 0; i < 4; i++) await press(page, "Space");
    await page.reload();
    await expect.poll(() => placed(page)).toBe(7);
    await expect(page.getByTestId("bed-waits")).toContainText("4 taps kept here");
    await context.setOffline(false);
    await expect.poll(async () => (await kept("lashPlaced")).length, { timeout: 30_000 }).toBe(7);
    // Over, its page is kept no longer.
    await page.keyboard.press("d");
    await page.getByRole("button", { name: "The client must leave now" }).click();
    await page.getByRole("button", { name: "Leave before the cure is there" }).click();
    await expect(page.getByRole("heading", { name: "Done and kept" })).toBeVisible();
    await expect.poll(async () => (await keptPages()).some((path) => path.startsWith("/visits/"))).toBe(false);
  });
});
