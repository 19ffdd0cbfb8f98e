import type { Page } from "@playwright/test";
import { axeFinds, database, expect, keysAreHeard, test } from "./support";

const VISIT = "11111111-1111-4111-8111-111111111117";
const clear = `delete from studio.visit_event where visit_id = '${VISIT}'`;

/** A set of Sunniva's own map, begun and not a bead out yet, anew for every test. */
test.beforeEach(() =>
  database(async (db) => {
    await db.query(`insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time, map_id, map_revision)
      select m.studio_id, '${VISIT}', lm.client_id, m.id, c.room_id, c.id, 'newSet', now(), 180, false, lm.id, 1
      from studio.lash_map lm join studio.client cl on cl.id = lm.client_id and cl.name like 'Sunniva%'
      join studio.member m on m.studio_id = lm.studio_id and m.role = 'owner'
      join studio.chair c on c.studio_id = lm.studio_id order by c.id limit 1 on conflict do nothing`);
    await db.query(clear);
    await db.query(`insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id)
      select v.studio_id, v.id, gen_random_uuid(), now() - interval '5 minutes', 'checked', 'started', '{"bottleId":null,"air":null}'::jsonb, v.technician_id
      from studio.visit v where v.id = '${VISIT}'`);
  }),
);
test.afterAll(() => database((db) => db.query(clear)));

const kept = (type: string) =>
  database(
    async (db) =>
      (await db.query("select payload from studio.visit_event where visit_id = $1 and type = $2 order by at", [VISIT, type])).rows,
  );
const open = async (page: Page) => {
  await page.goto(`/visits/${VISIT}`);
  await expect(page.getByRole("button", { name: "First bead" })).toBeVisible();
  await keysAreHeard(page);
};
const knot = (page: Page, name: string) =>
  page.getByRole("list", { name: "Order of work" }).getByRole("button", { name: new RegExp(`^${name}`) });
const step = (page: Page, name: RegExp) =>
  page
    .getByRole("region", { name: /: steps$/ })
    .getByRole("listitem")
    .filter({ hasText: name });
/** As if it had all happened so many minutes earlier. */
const earlier = async (page: Page, minutes: number) => {
  await database((db) =>
    db.query(
      "update studio.visit_event set at = at - make_interval(mins => $2), server_time = server_time - make_interval(mins => $2) where visit_id = $1",
      [VISIT, minutes],
    ),
  );
  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) if (name) indexedDB.deleteDatabase(name);
  });
  await page.reload();
};

test("steps are tied by a tap or by the record, untied by another, and stay open where they were passed", async ({ page }) => {
  await open(page);
  // Preparing, its steps stand there; nothing is ticked.
  await expect(page.getByRole("region", { name: "Prepare: steps" })).toBeVisible();
  const hands = step(page, /^Hands washed/).getByRole("button");
  await expect(hands).toHaveAttribute("aria-pressed", "false");
  await hands.click();
  await expect(hands).toHaveAttribute("aria-pressed", "true");
  await step(page, /^Gloves on/)
    .getByRole("button")
    .click();
  await step(page, /^Gloves on/)
    .getByRole("button")
    .click();
  await expect(step(page, /^Gloves on/).getByRole("button")).toHaveAttribute("aria-pressed", "false");
  await page
    .getByRole("group", { name: /^Primer/ })
    .getByRole("button", { name: "pH balancer" })
    .click();
  await expect(step(page, /^Primer/)).toContainText("on record");
  await page.getByRole("group", { name: /^Dip/ }).getByRole("button", { name: "three quarters, then dabbed" }).click();
  await page
    .getByRole("group", { name: /^mask taped/i })
    .getByRole("button", { name: "no", exact: true })
    .click();
  await expect
    .poll(async () => (await kept("workedWith")).map(({ payload }) => [payload.of, payload.is]))
    .toEqual([
      ["primer", "balancer"],
      ["dip", "threeQuarters"],
      ["mask", false],
    ]);
  // The pedal is the pedal all the same: it shakes.
  await page.keyboard.press("Space");
  await expect.poll(async () => (await kept("shakeStarted")).length).toBe(1);
  await page.getByRole("button", { name: "First bead" }).click();
  await expect(page.getByTestId("next-lash")).toBeVisible();
  await page.getByRole("button", { name: "visit page" }).click();
  await knot(page, "Prepare").click();
  await expect(step(page, /^Gloves on/)).toContainText("not done");
  await expect(step(page, /^Hands washed/)).not.toContainText("not done");
  await expect(knot(page, "Prepare")).toContainText("not all done");
});

test("from the mirror to the tidied room: faults go back into the plan, looks are answered, the card, the next visit, the disinfectant", async ({
  page,
}) => {
  test.setTimeout(120_000);
  await open(page);
  await page.getByRole("button", { name: "First bead" }).click();
  await expect(page.getByTestId("next-lash")).toBeVisible();
  await page.keyboard.press("5");
  for (let i = 0; i < 8; i++) {
    if (i < 3) await page.keyboard.press("5");
    await page.keyboard.press("Space");
    await page.waitForTimeout(140);
  }
  const says = page.getByTestId("bed-says");
  await expect(says).toContainText("8 of ");
  const zone = page.locator("[data-placed='2'], [data-placed='3'], [data-placed='4']").first();
  const where = (await zone.getAttribute("data-zone"))!;
  const before = Number(await zone.getAttribute("data-placed"));
  await page.keyboard.press("l");
  await page.getByRole("button", { name: "leaned", exact: true }).click();
  await page.locator(`[data-hit="${where}"]`).click();
  await expect(page.locator(`[data-zone="${where}"]`)).toHaveAttribute("data-placed", String(before - 1));
  await page.getByRole("button", { name: /^nothing more, 1 to set again/ }).click();
  await expect(says).toContainText("1 to set again");
  // Counted off at the brush, and where.
  await page.keyboard.press("o");
  await page.keyboard.press("1");
  await page.locator(`[data-hit="${where}"]`).click();
  await expect.poll(async () => (await kept("faultFound")).map(({ payload }) => payload.why)).toEqual(["leaned", "cameOff"]);
  await expect(says).toContainText(/[67] of /);
  // Taken back one by one: the fault, the count, the look.
  await page.keyboard.press("Backspace");
  await expect(says).toContainText("7 of ");
  await page.keyboard.press("b");
  await page.getByRole("button", { name: "underneath here" }).click();
  await page.keyboard.press("b");
  await page.getByRole("button", { name: "on top everywhere" }).click();
  await expect.poll(async () => (await kept("workedWith")).map(({ payload }) => payload.of)).toEqual(["attached", "attachedAll"]);
  // Held down, the pedal means the rest of the zone it began in.
  const spot = (await page.getByTestId("next-lash").getAttribute("data-spot"))!.split(" ");
  await page.keyboard.down("Space");
  await page.waitForTimeout(900);
  await page.keyboard.up("Space");
  const held = page.locator(`[data-zone="${spot[0]} ${spot[2]}"]`);
  await expect.poll(async () => (await held.getAttribute("data-placed")) === (await held.getAttribute("data-planned"))).toBe(true);

  await page.keyboard.press("d");
  const look = (name: string) => page.getByRole("group", { name, exact: true });
  await expect(look("stickies, client's right")).toBeVisible();
  await look("stickies, client's right")
    .getByRole("button", { name: /^one more/ })
    .click();
  await look("stickies, client's right")
    .getByRole("button", { name: /^one more/ })
    .click();
  await expect(look("stickies, client's right").getByRole("status")).toHaveText("2");
  await look("stickies, client's left").getByRole("button", { name: "none" }).click();
  await look("sting at opening").getByRole("button", { name: "yes" }).click();
  await expect(page.getByText("Rinse at once with lukewarm clean water")).toBeVisible();
  await look("sting at opening").getByRole("button", { name: "no" }).click();
  await expect(page.getByText("Rinse at once with lukewarm clean water")).toBeHidden();
  await earlier(page, 20);
  await expect(page.getByTestId("eyes-clock")).toHaveAttribute("data-state", "may");
  await expect(page.getByTestId("unanswered")).toContainText("blunt tool along the bases");
  await page.getByRole("button", { name: "Finish the visit" }).click();

  const record = page.getByRole("region", { name: "The visit as it was kept" });
  await expect(record).toContainText("Pairs parted: client's right 2, client's left none");
  await expect(record).toContainText("1 leaned");
  await expect(record).toContainText("on top");
  await expect(record).toContainText(/Left open.*Prepare: .*hands washed/s);
  // What goes home, as a file too.
  await expect(page.getByRole("region", { name: "Aftercare card" })).toContainText(/No water, steam or oil before \w+day \d\d:\d\d/);
  // Once the tap that finished it has reached the server: until then there is no date to count from.
  await expect
    .poll(async () => (await page.request.get(`/api/visits/${VISIT}/care.txt`)).text())
    .toMatch(/No water, steam or oil before[\s\S]*Wash lids and lashes/);
  expect((await page.request.get(`/api/visits/${VISIT}/care.pdf`)).headers()["content-type"]).toBe("application/pdf");
  // The next one is proposed on the best day to come back, and booked.
  const next = page.getByRole("region", { name: "Next visit" });
  // By what her own fills counted, and never past three weeks.
  await expect(next).toContainText(/Day \d+ .*by this client’s own \d+ fills?/);
  const afterDays = Number(/\((\d+) days after this one\)/.exec(await next.innerText())![1]);
  expect(afterDays).toBeGreaterThanOrEqual(5);
  expect(afterDays).toBeLessThanOrEqual(21);
  await next.getByRole("button", { name: "Book the next visit" }).click();
  const sheet = page.getByRole("dialog", { name: "Book a visit" });
  await sheet.getByLabel("From").fill("06:15");
  await sheet.getByLabel("Minutes").fill("30");
  await sheet.getByRole("button", { name: "Book", exact: true }).click();
  await expect(next).toContainText(/, 06:15, fill/);
  await expect(page.getByRole("region", { name: "Aftercare card" })).toContainText(/Next visit: .*06:15, fill/);
  await step(page, /^Aftercare told/)
    .getByRole("button")
    .click();
  // Told and booked, it goes on to tidying by itself.
  await expect(page.getByRole("region", { name: "Tidy: steps" })).toBeVisible();
  await page.getByRole("button", { name: "Implements are in" }).click();
  await expect(page.getByTestId("soak-clock")).toContainText(/^(10:00|9:5\d)/);
  for (const theme of ["paper", "lamp"]) {
    await page.evaluate((name) => document.documentElement.setAttribute("data-theme", name), theme);
    expect([theme, await axeFinds(page)]).toEqual([theme, []]);
  }
  // It hangs on every screen until they are out, the visit being over.
  await page.goto("/shelf");
  await expect(page.getByTestId("clock-soak")).toContainText("disinfectant");
  await earlier(page, 11);
  await expect(page.getByTestId("clock-soak")).toHaveAttribute("data-state", "done");
  await page.goto(`/visits/${VISIT}`);
  await knot(page, "Tidy").click();
  if ((await page.getByRole("button", { name: "Out, rinsed, dry" }).count()) === 0) await knot(page, "Tidy").click();
  await page.getByRole("button", { name: "Out, rinsed, dry" }).click();
  await page.goto("/shelf");
  await expect(page.getByTestId("clock-soak")).toHaveCount(0);
});

test("a studio's own steps: added, moved, refused where empty, and a visit that has begun keeps its own", async ({ page }) => {
  await page.goto("/studio");
  await page.getByRole("region", { name: "Steps of a visit" }).getByRole("link", { name: "Practice on a mannequin head" }).click();
  const prepare = page.getByRole("region", { name: "Prepare" });
  await prepare.getByRole("button", { name: "Add a step" }).click();
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("Say it in words.")).toBeVisible();
  await prepare.getByLabel("Step", { exact: true }).last().fill("Lamp moved over the head");
  await prepare.getByLabel("Why").last().fill("A shadow hides a lean.");
  await prepare.getByRole("button", { name: "Lamp moved over the head up" }).click();
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText(/Kept\. Visits begun from now on/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/your own, saved \d+ times|your own, saved once/)).toBeVisible();
  const names = await prepare.getByLabel("Step", { exact: true }).evaluateAll((all) => all.map((one) => (one as HTMLInputElement).value));
  expect(names.indexOf("Lamp moved over the head")).toBe(names.length - 2);
  const rows = await database((db) => db.query("select revision from studio.checklist where service = 'practice' order by revision"));
  expect(rows.rows.length).toBeGreaterThan(0);
  await database((db) => db.query("delete from studio.checklist where service = 'practice'"));
});
