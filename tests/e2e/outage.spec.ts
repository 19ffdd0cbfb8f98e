import { startApp } from "../../scripts/lib/app.mjs";
import {
  beginVisit,
  confirmAnswers,
  database,
  databases,
  expect,
  openClient,
  seconds,
  secrets,
  signedOut,
  test,
  toTheChair,
  url,
} from "./support";

test.setTimeout(180_000);

let app: Awaited<ReturnType<typeof startApp>>;
test.afterEach(() => app.stop());

test("server killed with -9 under way: clocks go on, taps are kept and arrive once, whatever the device's clock says", async ({
  browser,
}) => {
  app = await startApp({ urls: databases }, secrets);
  const context = await browser.newContext({ baseURL: app.url, viewport: { width: 1280, height: 800 }, storageState: signedOut });
  const page = await context.newPage();
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill("jossa@tideroom.example");
  await page.getByLabel("Password").fill(secrets.password);
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL(`${app.url}/`);
  await openClient(page, /Bronagh/);
  await page
    .getByRole("link", { name: /cat, M/ })
    .first()
    .click();
  await page.waitForURL(/\/map\//);
  await toTheChair(page);
  const visitId = page.url().split("/").pop()!;
  await confirmAnswers(page);
  await beginVisit(page);
  await page.keyboard.press("n");
  const safety = page.getByTestId("safety");
  await expect(safety).toContainText("all safe on the server");
  const shown = async () => seconds((await page.getByTestId("big-clock").locator("[data-time]").innerText()).trim());
  await expect(page.getByTestId("big-clock")).toContainText(/\d:\d\d/);
  const first = await shown();
  const seenAt = performance.now();
  const expected = () => first - (performance.now() - seenAt) / 1000;

  // The server dies; the device's clock is set back an hour on top of it.
  process.kill(app.child.pid!, "SIGKILL");
  await page.evaluate(() => {
    const real = Date.now;
    Date.now = () => real() - 3_600_000;
  });
  await page.waitForTimeout(1500);
  await expect.poll(async () => Math.abs((await shown()) - expected())).toBeLessThan(1.5);
  await page.keyboard.press("n");
  await expect(page.getByTestId("big-clock")).toContainText("bead 2");
  await page.keyboard.press("n");
  await expect(page.getByTestId("big-clock")).toContainText("bead 3");
  await expect(safety).toContainText(/No server, \d taps? kept here/);
  await expect(page.getByTestId("bed-waits")).toContainText(/No server, \d taps? kept here/);
  const third = await shown();
  const thirdAt = performance.now();

  app = await startApp({ urls: databases }, secrets, { port: app.port });
  await expect(safety).toContainText("all safe on the server", { timeout: 40_000 });
  await page.reload();
  await expect(page.getByTestId("big-clock")).toContainText("bead 3");
  await expect.poll(async () => Math.abs((await shown()) - (third - (performance.now() - thirdAt) / 1000))).toBeLessThan(2);
  const kept = await database((db) => db.query("select type, clock from studio.visit_event where visit_id = $1 order by at", [visitId]));
  expect(kept.rows.map((row) => row.type)).toEqual(["started", "beadPlaced", "beadPlaced", "beadPlaced"]);
  expect(kept.rows.every((row) => row.clock === "checked")).toBe(true);

  // Signing out with a tap unsent says so and keeps it for this person; the tablet holds nothing else.
  await page.route("**/api/visits/events", (route) => route.abort());
  await page.keyboard.press("Backspace");
  await expect(safety).toHaveAttribute("data-unsent", "1");
  await page.keyboard.press("Escape");
  await page.getByRole("button", { name: /Jossa Quill, menu/ }).click();
  await page.getByRole("menuitem", { name: "Sign out" }).click();
  await expect(page.getByRole("dialog")).toContainText("1 tap has not reached the server");
  await page.getByRole("dialog").getByRole("button", { name: "Sign out" }).click();
  await page.waitForURL(/sign-in/);
  const left = await page.evaluate(async () => {
    const counts: Record<string, number> = {};
    for (const { name } of await indexedDB.databases()) {
      const db = await new Promise<IDBDatabase>((resolve) => {
        const open = indexedDB.open(name!);
        open.onsuccess = () => resolve(open.result);
      });
      for (const store of db.objectStoreNames)
        counts[store] = await new Promise<number>((resolve) => {
          const count = db.transaction(store).objectStore(store).count();
          count.onsuccess = () => resolve(count.result);
        });
      db.close();
    }
    return counts;
  });
  expect(left).toEqual({ outbox: 1, commands: 0, events: 0, drafts: 0, meta: 0 });
  await page.unroute("**/api/visits/events");

  // Signed in again, it arrives.
  await page.getByLabel("E-mail").fill("jossa@tideroom.example");
  await page.getByLabel("Password").fill(secrets.password);
  await page.getByRole("button", { name: "Sign in" }).click();
  await page.waitForURL(`${app.url}/`);
  await expect(page.getByTestId("safety")).toHaveAttribute("data-unsent", "0");
  await expect
    .poll(() =>
      database(async (db) => (await db.query("select count(*) from studio.visit_event where visit_id = $1", [visitId])).rows[0].count),
    )
    .toBe("5");
  await page.goto(`/visits/${visitId}`);
  await expect(page.getByTestId("big-clock")).toContainText("bead 2");
  await page.getByRole("button", { name: "dry", exact: true }).click();
  await page.getByRole("button", { name: "The client must leave now" }).click();
  await page.getByRole("button", { name: "Leave before the cure is there" }).click();
  await expect(page.getByRole("heading", { name: "Done and kept" })).toBeVisible();
  await expect(page.getByTestId("safety")).toHaveAttribute("data-unsent", "0");
  await context.close();
  expect(url).not.toBe(app.url);
});
