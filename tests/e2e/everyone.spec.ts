import type { Page } from "@playwright/test";
import { axeFinds, confirmAnswers, database, expect, keysAreHeard, signedOut, test, url } from "./support";

const UNDER_WAY = "11111111-1111-4111-8111-111111111111";
const clear = `delete from studio.visit_event where visit_id = '${UNDER_WAY}'`;
/** Lifts and tints other tests left running: their clocks are the loudest and would hang in place of this file's bead. */
const clearRuns = `delete from studio.visit_event where visit_id in
  (select visit_id from studio.visit_event group by visit_id having bool_or(type = 'runPlanned') and not bool_or(type = 'finished'))`;

test.beforeAll(async () => {
  // A visit under way, its bead nearly spent: the state with the most on the screen.
  await database(async (db) => {
    await db.query(`insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair_id, service, starts_at, minutes, keeps_time, map_id, map_revision)
      select v.studio_id, '${UNDER_WAY}', v.client_id, m.id, v.room_id, v.chair_id, 'fill', now(), 90, false, v.map_id, 1
      from studio.visit v join studio.member m on m.studio_id = v.studio_id and m.role = 'owner' where v.map_id is not null limit 1 on conflict do nothing`);
    await db.query(clear);
    await db.query(clearRuns);
    await db.query(`insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id)
      select v.studio_id, v.id, gen_random_uuid(), now() - x.ago, 'checked', x.type, x.payload, v.technician_id from studio.visit v,
      (values (interval '20 minutes', 'started', '{"bottleId":null,"air":null}'::jsonb), (interval '18 minutes', 'beadPlaced', '{"lifeS":900,"air":null,"bottleId":null}'::jsonb),
        (interval '13 minutes 30 seconds', 'beadPlaced', '{"lifeS":900,"air":null,"bottleId":null}'::jsonb), (interval '13 minutes', 'checked', '{"off":6,"of":22}'::jsonb)) as x(ago, type, payload)
      where v.id = '${UNDER_WAY}'`);
  });
});
// A worker that starts anew after a failure sets the stage again, so nothing of it may stay.
test.afterAll(() => database((db) => db.query(clear)));

/** Every view, and how its address is found in the demo. */
const CLIENT = "(select id from studio.client where name like 'Rosalind%')";
const VIEWS: readonly (readonly [name: string, path: (one: (sql: string) => Promise<string>) => string | Promise<string>])[] = [
  ["today", () => "/"],
  ["another day", () => `/?day=${new Date(Date.now() + 40 * 86_400_000).toISOString().slice(0, 10)}`],
  ["clients", () => "/clients"],
  ["nobody found", () => "/clients?find=zzz"],
  ["clients who are due", () => "/clients?show=due"],
  ["archived clients", () => "/clients?show=archived"],
  ["import of clients", () => "/clients/import"],
  ["new client", () => "/clients/new"],
  [
    "two entries side by side",
    async (one) =>
      `/clients/${await one("(select id from studio.client where name = 'Leïla Oystercatcher')")}/merge?with=${await one("(select id from studio.client where name = 'Leila Oystercatcher')")}`,
  ],
  ["client", async (one) => `/clients/${await one(CLIENT)}`],
  ["edit client", async (one) => `/clients/${await one(CLIENT)}/edit`],
  ["survey", async (one) => `/clients/${await one(CLIENT)}/survey`],
  ["pictures", async (one) => `/clients/${await one("(select id from studio.client where name like 'Ottilie%')")}/survey/pictures`],
  ["new map", async (one) => `/clients/${await one(CLIENT)}/map`],
  ["map", async (one) => `/clients/${await one(CLIENT)}/map/${await one(`select id from studio.lash_map where client_id = ${CLIENT}`)}`],
  ["air", () => "/air"],
  ["air, history", () => "/air?sheet=history"],
  ["air, set times", () => "/air?sheet=glue"],
  ["air, room", () => "/air?sheet=room"],
  ["colour", () => "/colour"],
  ["protocol", () => "/colour/protocols/liftTint"],
  [
    "colour kept",
    async (one) => `/visits/${await one("select id from studio.visit where service = 'lightening' order by starts_at limit 1")}`,
  ],
  ["shelf", () => "/shelf"],
  ["retention", () => "/retention"],
  ["studio", () => "/studio"],
  ["people", () => "/studio/people"],
  ["audit list", () => "/studio/audit"],
  ["profile", () => "/profile"],
  ["steps of a visit", () => "/studio/steps/newSet"],
  [
    "visit to come",
    async (one) => `/visits/${await one(`select id from studio.visit where client_id = ${CLIENT} and map_id is null limit 1`)}`,
  ],
  ["visit under way", () => `/visits/${UNDER_WAY}`],
  [
    "visit kept",
    async (one) =>
      `/visits/${await one(`select v.id from studio.visit v join studio.visit_event e on e.visit_id = v.id and e.type = 'finished' where v.client_id = ${CLIENT} limit 1`)}`,
  ],
];
const SIZES = [
  [360, 740],
  [800, 1280],
  [1280, 800],
  [1440, 900],
] as const;
const THEMES = ["paper", "lamp"] as const;

/** axe finds nothing and nothing runs off sideways, at every width, in both themes. */
async function check(page: Page, name: string) {
  for (const theme of THEMES) {
    await page.evaluate((to) => (document.documentElement.dataset.theme = to), theme);
    for (const [width, height] of SIZES) {
      await page.setViewportSize({ width, height });
      expect([name, width, theme, await axeFinds(page)]).toEqual([name, width, theme, []]);
      const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      expect([name, width, theme, "sideways by", Math.max(0, overflow)]).toEqual([name, width, theme, "sideways by", 0]);
    }
  }
}

test("a lightening planned, under way with looks owed, and stopped: axe finds nothing and nothing runs off sideways", async ({ page }) => {
  test.setTimeout(240_000);
  await page.emulateMedia({ reducedMotion: "reduce" });
  const visitId = await database(
    async (db) =>
      (await db.query("select id from studio.visit where service = 'lightening' order by starts_at desc limit 1")).rows[0].id as string,
  );
  await page.goto(`/visits/${visitId}`);
  await expect(page.getByRole("button", { name: "Go by this plan" })).toBeVisible();
  await check(page, "colour planned");
  await confirmAnswers(page);
  await page.getByRole("button", { name: "Go by this plan" }).click();
  await page.getByTestId("run-now").waitFor();
  const sent = await page.request.post("/api/visits/events", {
    data: {
      events: [
        { type: "taskDone", payload: { stepId: "cleanse" } },
        { type: "coated", payload: { stepId: "lighten", area: "browRight" } },
      ].map((event, i) => ({
        id: crypto.randomUUID(),
        visitId,
        at: new Date(Date.now() - (3 - i) * 60_000).toISOString(),
        clock: "checked",
        ...event,
      })),
    },
  });
  expect(sent.ok()).toBe(true);
  await page.reload();
  await page.getByTestId("look-row").waitFor();
  await check(page, "colour under way");
  await keysAreHeard(page);
  await page.keyboard.press("s");
  await page.getByTestId("stop-screen").waitFor();
  await check(page, "colour stopped");
  await database((db) => db.query(clearRuns));
});

for (const [name, path] of VIEWS)
  test(`${name}: axe finds nothing and nothing runs off sideways, 360 to 1440 px, paper and lamp`, async ({ page }) => {
    await page.emulateMedia({ reducedMotion: "reduce" });
    await page.goto(
      await database(async (db) =>
        path(async (sql) => Object.values((await db.query(sql.startsWith("(") ? `select ${sql}` : sql)).rows[0])[0] as string),
      ),
    );
    // It hangs on every screen but its own visit's, which shows it larger.
    await expect(page.getByTestId("clock-bead").or(page.getByTestId("big-clock")).first()).toBeVisible();
    await check(page, name);
  });

test("at the bed what is asked, and the page of the visit: axe finds nothing and nothing runs off sideways", async ({ page }) => {
  test.setTimeout(240_000);
  await page.emulateMedia({ reducedMotion: "reduce" });
  await page.goto(`/visits/${UNDER_WAY}`);
  await expect(page.getByTestId("next-lash")).toBeVisible();
  await page.getByRole("button", { name: "tape" }).click();
  await expect(page.getByRole("group", { name: /^Tape on/ })).toBeVisible();
  await check(page, "tape at the bed");
  await page.getByRole("button", { name: "none of it" }).click();
  await page.getByRole("button", { name: "visit page" }).click();
  await expect(page.getByTestId("brush-verdict")).toBeVisible();
  await check(page, "the visit's page");
});

test("the tablet handed over, and in the client's hands: axe finds nothing and nothing runs off sideways", async ({ page }) => {
  test.setTimeout(240_000);
  await page.emulateMedia({ reducedMotion: "reduce" });
  const visitId = await database(
    async (db) =>
      (await db.query("select v.id from studio.visit v join studio.client c on c.id = v.client_id and c.name like 'Petra%' limit 1"))
        .rows[0].id as string,
  );
  await page.goto(`/consult/${visitId}`);
  const give = page.getByRole("button", { name: "Hand it over" });
  await expect(give).toBeVisible();
  await check(page, "handing over");
  await give.click();
  await expect(page.getByText(/^Before your/)).toBeVisible();
  await check(page, "in the client's hands");
});

test("sign-in: axe finds nothing and nothing runs off sideways, 360 to 1440 px, paper and lamp", async ({ browser }) => {
  const context = await browser.newContext({ storageState: signedOut });
  const page = await context.newPage();
  await page.goto(`${url}/sign-in`);
  await expect(page.getByRole("heading", { name: "Sign in" })).toBeVisible();
  await check(page, "sign-in");
  await context.close();
});

test("the theme is turned by key and stays over a reload", async ({ page }) => {
  await page.goto("/air");
  await keysAreHeard(page);
  await page.keyboard.press("Shift+L");
  await expect(page.locator("html")).toHaveAttribute("data-theme", "lamp");
  await page.reload();
  await expect(page.locator("html")).toHaveAttribute("data-theme", "lamp");
});

test("every view is reached and worked by keyboard: skip link, places, the first field", async ({ page }) => {
  await page.goto("/clients");
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "To the page" })).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Ivy Thread" })).toBeFocused();
  for (const place of ["Today", "Clients", "Colour", "Air", "Shelf", "Retention", "Studio"]) {
    await page.keyboard.press("Tab");
    await expect(page.getByRole("navigation", { name: "Places" }).getByRole("link", { name: place })).toBeFocused();
  }
});
