import AxeBuilder from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { database, expect, signedOut, test, url } from "./support";

/** Every view, with how to get its address from the demo. */
async function views(): Promise<[string, string][]> {
  return database(async (db) => {
    const one = async (sql: string) => Object.values((await db.query(sql)).rows[0])[0] as string;
    const client = await one("select id from studio.client where name like 'Rosalind%'");
    const map = await one(`select id from studio.lash_map where client_id = '${client}'`);
    const done = await one(`select v.id from studio.visit v join studio.visit_event e on e.visit_id = v.id and e.type = 'finished' where v.client_id = '${client}' limit 1`);
    const agreed = await one(`select id from studio.visit where client_id = '${client}' and map_id is null limit 1`);
    return [
      ["today", "/"],
      ["clients", "/clients"],
      ["nobody found", "/clients?find=zzz"],
      ["new client", "/clients/new"],
      ["client", `/clients/${client}`],
      ["edit client", `/clients/${client}/edit`],
      ["survey", `/clients/${client}/survey`],
      ["new map", `/clients/${client}/map`],
      ["map", `/clients/${client}/map/${map}`],
      ["air", "/air"],
      ["shelf", "/shelf"],
      ["studio", "/studio"],
      ["visit to come", `/visits/${agreed}`],
      ["visit under way", `/visits/${UNDER_WAY}`],
      ["visit kept", `/visits/${done}`],
    ];
  });
}

const UNDER_WAY = "11111111-1111-4111-8111-111111111111";
const clear = `delete from studio.visit_event where visit_id = '${UNDER_WAY}'`;

test.beforeAll(async () => {
  // A visit under way, its bead nearly spent: the state with the most on the screen.
  await database(async (db) => {
    await db.query(`insert into studio.visit (studio_id, id, client_id, technician_id, room_id, chair, service, starts_at, minutes, map_id, map_revision)
      select v.studio_id, '${UNDER_WAY}', v.client_id, m.id, v.room_id, 2, 'fill', now(), 90, v.map_id, 1
      from studio.visit v join studio.member m on m.studio_id = v.studio_id and m.role = 'owner' where v.map_id is not null limit 1 on conflict do nothing`);
    await db.query(clear);
    await db.query(`insert into studio.visit_event (studio_id, visit_id, id, at, clock, type, payload, member_id)
      select v.studio_id, v.id, gen_random_uuid(), now() - x.ago, 'checked', x.type, x.payload, v.technician_id from studio.visit v,
      (values (interval '20 minutes', 'started', '{"bottleId":null,"air":null}'::jsonb), (interval '13 minutes 30 seconds', 'beadPlaced', '{"lifeS":900,"air":null,"bottleId":null}'::jsonb)) as x(ago, type, payload)
      where v.id = '${UNDER_WAY}'`);
  });
});
// A worker that starts anew after a failure sets the stage again, so nothing of it may stay.
test.afterAll(() => database((db) => db.query(clear)));

async function check(page: Page, name: string, width: number, theme: string) {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const told = violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => `${node.target.join(" ")} ${node.failureSummary?.split("\n")[1] ?? ""}`).slice(0, 3).join("; ")}`);
  expect([name, width, theme, told]).toEqual([name, width, theme, []]);
  const overflow = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
  expect([name, width, theme, "sideways by", overflow <= 0 ? 0 : overflow]).toEqual([name, width, theme, "sideways by", 0]);
}

for (const theme of ["paper", "lamp"] as const)
  for (const width of [360, 1280, 1440])
    test(`every view at ${width} px in ${theme}: axe finds nothing, and nothing runs off sideways`, async ({ page, context }) => {
      test.setTimeout(180_000);
      await context.addCookies([{ name: "ivy-theme", value: theme, url }]);
      await page.setViewportSize({ width, height: width === 360 ? 740 : width === 1280 ? 800 : 900 });
      await page.emulateMedia({ reducedMotion: "reduce" });
      for (const [name, path] of await views()) {
        await page.goto(path);
        await expect(page.getByTestId("clock-bead").first()).toBeVisible();
        await check(page, name, width, theme);
      }
      const out = await context.browser()!.newContext({ viewport: { width, height: 740 }, storageState: signedOut });
      await out.addCookies([{ name: "ivy-theme", value: theme, url }]);
      const door = await out.newPage();
      await door.goto(`${url}/sign-in`);
      await check(door, "sign-in", width, theme);
      await out.close();
    });

test("every view is reached and worked by keyboard: skip link, places, the first field", async ({ page }) => {
  await page.goto("/clients");
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "To the page" })).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(page.getByRole("link", { name: "Ivy Thread" })).toBeFocused();
  for (const place of ["Today", "Clients", "Air", "Shelf", "Studio"]) {
    await page.keyboard.press("Tab");
    await expect(page.getByRole("navigation", { name: "Places" }).getByRole("link", { name: place })).toBeFocused();
  }
});
