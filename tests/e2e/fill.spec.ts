import type { Page } from "@playwright/test";
import { asJpeg, DRAWN_PICTURES } from "../../src/db/demo/pictures";
import { axeFinds, database, expect, keysAreHeard, test } from "./support";

const SET = "11111111-1111-4111-8111-111111111171";
const FILL = "11111111-1111-4111-8111-111111111172";
const wipe = `delete from studio.visit_event where visit_id in ('${SET}', '${FILL}')`;

const CLIENT = "11111111-1111-4111-8111-111111111173";
const MAP = "11111111-1111-4111-8111-111111111174";
const SURVEY = "11111111-1111-4111-8111-111111111175";

/** Somebody of the studio's with Calla's lashes and map, worn three weeks ago; and their fill, just begun. */
test.beforeEach(() =>
  database(async (db) => {
    const like = `from studio.lash_map lm join studio.client cl on cl.id = lm.client_id and cl.name like 'Calla%'`;
    await db.query(
      `insert into studio.client (studio_id, id, name) select lm.studio_id, '${CLIENT}', 'Wenna Fillable' ${like} limit 1 on conflict do nothing`,
    );
    await db.query(`insert into studio.survey (studio_id, id, client_id, document, taken_by)
      select lm.studio_id, '${SURVEY}', '${CLIENT}', s.document, s.taken_by ${like} join studio.survey s on s.id = lm.survey_id limit 1 on conflict do nothing`);
    await db.query(`insert into studio.lash_map (studio_id, id, client_id, survey_id, head)
      select lm.studio_id, '${MAP}', '${CLIENT}', '${SURVEY}', 1 ${like} limit 1 on conflict do nothing`);
    await db.query(`insert into studio.lash_map_revision (studio_id, map_id, revision, document, saved_by)
      select lm.studio_id, '${MAP}', 1, r.document, r.saved_by ${like} join studio.lash_map_revision r on r.map_id = lm.id and r.revision = 1 limit 1 on conflict do nothing`);
    for (const [id, service, ago] of [
      [SET, "newSet", "21 days"],
      [FILL, "fill", "0 days"],
    ])
      await db.query(
        `insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time, map_id, map_revision)
        select m.studio_id, '${id}', lm.client_id, m.id, c.room_id, c.id, '${service}', now() - interval '${ago}', 180, false, lm.id, 1
        from studio.lash_map lm join studio.member m on m.studio_id = lm.studio_id and m.role = 'owner'
        join studio.chair c on c.studio_id = lm.studio_id where lm.id = '${MAP}' order by c.id limit 1 on conflict do nothing`,
      );
    await db.query(wipe);
    await db.query(`update studio.visit set last_seq = 0 where id in ('${SET}', '${FILL}')`);
    await db.query(`delete from studio.visit_outcome where visit_id in ('${SET}', '${FILL}')`);
    await db.query(`insert into studio.visit_event (studio_id, visit_id, id, at, server_time, clock, type, payload, member_id)
      select v.studio_id, v.id, gen_random_uuid(), now() - x.ago, now() - x.ago, 'checked', x.type, x.payload, v.technician_id from studio.visit v
      join (values ('${SET}', interval '21 days 3 hours', 'started', '{"bottleId":null,"air":null}'::jsonb),
        ('${SET}', interval '21 days 2 hours', 'beadPlaced', '{"lifeS":900,"air":null,"bottleId":null}'::jsonb),
        ('${SET}', interval '21 days', 'finished', '{}'::jsonb),
        ('${FILL}', interval '2 minutes', 'started', '{"bottleId":null,"air":null}'::jsonb)) as x(visit, ago, type, payload)
      on v.id = x.visit::uuid`);
  }),
);
test.afterAll(() => database((db) => db.query(wipe)));

const kept = (type: string) =>
  database(
    async (db) =>
      (
        await db.query<{ payload: Record<string, unknown> }>(
          "select payload from studio.visit_event where visit_id = $1 and type = $2 order by seq",
          [FILL, type],
        )
      ).rows,
  );
const fillWords = (page: Page) => page.locator("#fill-head + p");
const openFill = async (page: Page) => {
  // Whoever reads the client's page first brings what the old visit came to up to date.
  await page.goto(`/visits/${SET}`);
  await page.goto(`/visits/${FILL}`);
  await expect(page.getByRole("heading", { name: "The fill" })).toBeVisible();
  // Before the page hears anything a touch is lost.
  await keysAreHeard(page);
};
const numbers = (page: Page) => page.getByRole("group", { name: "How many are left" }).getByRole("button");

test("a fill: counted on the pads a touch a zone, told, taken off by the pedal, only its gaps placed", async ({ page }) => {
  test.setTimeout(180_000);
  await openFill(page);
  await expect(fillWords(page)).toContainText("nothing counted yet");
  const zones = page.locator("[data-pad-zone]");
  await expect(zones.first()).toBeVisible();
  const layers = page.getByRole("group", { name: "Layer to count" }).getByRole("button");
  const counts = page.getByRole("button", { name: /^What is left/ });
  // Zones start empty, whatever is expected of them.
  expect(await zones.evaluateAll((all) => all.every((one) => one.textContent!.startsWith("–")))).toBe(true);
  await page.getByRole("button", { name: "Of them twisted, one more" }).click();
  const begun = Date.now();
  for (let i = 0; i < 80; i++) {
    const [done, of] = /(\d+) of (\d+)/
      .exec(await counts.innerText())!
      .slice(1)
      .map(Number) as [number, number];
    if (done === of) break;
    const all = await numbers(page).count();
    await numbers(page)
      .nth(Math.round((all - 1) * 0.7))
      .click();
    await expect(counts).toContainText(`${done + 1} of ${of}`);
  }
  console.log(`Counted in ${((Date.now() - begun) / 1000).toFixed(0)} s, ${await layers.count()} layers.`);
  await expect(fillWords(page)).toContainText(/\d+ of \d+ left \(\d+\s%, \d+\s% to \d+\s%\)/);
  await expect(fillWords(page)).not.toContainText("not learned from");

  await page.getByRole("button", { name: /^Since last time/ }).click();
  await page.getByRole("group", { name: "Steam or sauna" }).getByRole("button", { name: "no" }).click();
  const oil = page.getByRole("group", { name: "Oil on them" }).getByRole("button", { name: "yes" });
  await oil.click();
  await expect(oil).toHaveAttribute("aria-pressed", "true");
  // A second touch takes the answer back.
  await oil.click();
  await expect(oil).toHaveAttribute("aria-pressed", "false");
  await expect(page.getByRole("button", { name: /^Since last time/ })).toContainText("1 of 5");

  await page.getByRole("button", { name: /^Take off/ }).click();
  const toGo = async () => Number(/(\d+) to go/.exec(await page.getByRole("button", { name: /^Take off/ }).innerText())?.[1] ?? 0);
  const first = await toGo();
  expect(first).toBeGreaterThan(0);
  await keysAreHeard(page);
  await page.waitForTimeout(200);
  await page.keyboard.press("h");
  await expect.poll(toGo).toBe(first - 1);
  for (let left = first - 1; left > 0; left--) {
    await page.waitForTimeout(140);
    await page.keyboard.press("Space");
    await expect.poll(toGo).toBe(left - 1);
  }
  await expect
    .poll(async () => (await kept("takenOff")).map(({ payload }) => payload.hurt))
    .toEqual([true, ...Array.from({ length: first - 1 }, () => false)]);

  await page.getByRole("button", { name: /^The gaps/ }).click();
  const toPlace = Number(/(\d+) lash(?:es)? to place/.exec(await fillWords(page).innerText())![1]);
  await expect(page.getByRole("img", { name: /to place, \d+ kept/ }).first()).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);

  // Nothing is left to come off: the pedal shakes.
  await page.waitForTimeout(200);
  await page.keyboard.press("Space");
  await expect.poll(async () => (await kept("shakeStarted")).length).toBe(1);
  await page.getByRole("button", { name: "First bead" }).click();
  await expect(page.getByTestId("next-lash")).toBeVisible();
  await expect(page.getByTestId("bed-says")).toContainText(`0 of ${toPlace}`);
  const keptOnPads = await page
    .locator("[data-bed] [data-kept]")
    .evaluateAll((all) => all.reduce((sum, one) => sum + Number(one.getAttribute("data-kept")), 0));
  expect(keptOnPads).toBeGreaterThan(0);
  const counted = (await kept("leftCounted")).reduce((sum, { payload }) => sum + Number(payload.left), 0);
  expect(counted - first).toBeGreaterThanOrEqual(keptOnPads);
  await page.waitForTimeout(200);
  await page.keyboard.press("Space");
  await expect(page.getByTestId("bed-says")).toContainText(`1 of ${toPlace}`);
});

test("so little left is a new set; a mistaken count is cleared, typed again, and what was wrong stays in words", async ({ page }) => {
  test.setTimeout(120_000);
  await openFill(page);
  await numbers(page).first().click();
  await expect(fillWords(page)).toContainText(/0 of \d+ left/);
  await expect(fillWords(page)).toContainText("priced as a new set");
  // Back to the zone that was counted, and nothing of it.
  await page.locator("[data-pad-zone]").filter({ hasText: /^0of/ }).first().click();
  await page.getByRole("button", { name: "Not counted", exact: true }).click();
  await expect(fillWords(page)).toContainText("nothing counted yet");
  const typed = page.getByRole("textbox", { name: /typed|Left/ });
  await typed.fill("x");
  await typed.press("Enter");
  await expect(page.getByText("0 to 200")).toBeVisible();
  await typed.fill("5");
  await typed.press("Enter");
  await expect(fillWords(page)).toContainText(/5 of \d+ left/);
  await expect.poll(async () => (await kept("leftCounted")).map(({ payload }) => payload.left)).toEqual([0, null, 5]);
});

test("counted on a picture of the eye closed: a tap a lash, a wrong one taken away, kept zone by zone as counted so", async ({ page }) => {
  test.setTimeout(120_000);
  const drawn = DRAWN_PICTURES.find(({ key }) => key === "flat")!;
  await page.setViewportSize({ width: 1280, height: 1600 });
  await openFill(page);
  await page.getByRole("radio", { name: "on a picture" }).click();
  const taken = page.getByLabel("A picture to measure from");
  await taken.setInputFiles({ name: "eye.txt", mimeType: "image/jpeg", buffer: Buffer.from("no picture") });
  await expect(page.getByText("This is no picture")).toBeVisible();
  await taken.setInputFiles({ name: "eye.jpg", mimeType: "image/jpeg", buffer: await asJpeg(drawn) });
  const board = page.getByTestId("board");
  await expect(board).toBeVisible();
  const tap = async ([x, y]: readonly [number, number]) => {
    const box = (await board.boundingBox())!;
    await page.mouse.click(box.x + (x / drawn.widthPx) * box.width, box.y + (y / drawn.heightPx) * box.height);
  };
  for (const at of drawn.marks.line) await tap(at);
  await page.getByRole("radio", { name: "still on" }).click();
  const roots = drawn.marks.lashes.map(([root]) => root!);
  for (const root of roots) await tap(root);
  const kind = (name: string) => page.getByRole("radio", { name, exact: true }).click();
  await kind("outgrown");
  await tap(roots[3]!);
  await kind("take a mark away");
  await tap(roots.at(-1)!);
  await expect(page.locator("[data-left]")).toHaveCount(roots.length);
  await expect(page.getByText(new RegExp(`^${roots.length} on over \\d+ zones, of them 1 outgrown; about \\d+ expected`))).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole("button", { name: "Keep these counts" }).click();
  await expect(page.getByRole("button", { name: "Keep these counts" })).toBeDisabled();
  await expect.poll(async () => (await kept("leftCounted")).length).toBeGreaterThan(4);
  const counts = (await kept("leftCounted")).map(({ payload }) => payload);
  expect(counts.every(({ by, side, layer }) => by === "picture" && side === "right" && layer === 0)).toBe(true);
  expect(counts.reduce((sum, { left }) => sum + Number(left), 0)).toBe(roots.length);
  expect(counts.reduce((sum, { outgrown }) => sum + Number(outgrown), 0)).toBe(1);
  // Nobody looked for twisted ones.
  expect(counts.every(({ twisted }) => twisted === null)).toBe(true);
  await expect(fillWords(page)).toContainText(`${roots.length} of`);
  // The marks are the picture's: the page opened again has them.
  await page.waitForTimeout(900);
  await page.reload();
  await page.getByRole("button", { name: /^What is left/ }).click({ trial: true });
  await page.getByRole("radio", { name: "on a picture" }).click();
  await expect(page.locator("[data-left]")).toHaveCount(roots.length);
  // The other eye has no picture of today.
  await page.getByRole("radio", { name: "client's left" }).click();
  await expect(page.getByText(/A picture of the client's left, closed, from above/)).toBeVisible();
});

test("a set put on elsewhere is counted and filled; nothing is supposed of it", async ({ page }) => {
  await database((db) => db.query(`delete from studio.visit_event where visit_id = '${SET}'`));
  await openFill(page);
  await expect(fillWords(page)).toContainText("The studio has no record of the set: nothing counted yet.");
  await expect(page.getByText(/the map puts \d+ here, how many were on is not known\. How many are\?/)).toBeVisible();
  await numbers(page).nth(3).click();
  await expect(fillWords(page)).toContainText(/3 on where the map asks for \d+ in the zones counted/);
  await expect.poll(async () => (await kept("leftCounted")).map(({ payload }) => [payload.left, payload.setVisitId])).toEqual([[3, null]]);
});
