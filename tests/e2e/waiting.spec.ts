import type { Page } from "@playwright/test";
import { database, expect, openClient, test } from "./support";

/** What speaks without a line is fetched once the page has stood still for a while. */
const reserveIsThere = (page: Page) => expect(page.locator("[aria-label^='What became of it']")).toBeAttached({ timeout: 30_000 });
const dayAhead = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

/** A client of this file's own: what the demo's have behind them hangs on what else was tried. */
test.beforeAll(() =>
  database((db) =>
    db.query(
      `insert into studio.client (studio_id, id, name) select studio_id, gen_random_uuid(), 'Wilmet Ashgrove' from studio.studio
       where not exists (select from studio.client where name = 'Wilmet Ashgrove') limit 1`,
    ),
  ),
);

/** Fills the booking's form in, up to its button. */
async function fillBooking(page: Page, from: string) {
  await page.keyboard.press("n");
  const sheet = page.getByRole("dialog", { name: "Book a visit" });
  await sheet.getByLabel("Client").fill("Wilm");
  await sheet
    .getByRole("list", { name: "Clients found" })
    .getByRole("button", { name: /Wilmet/ })
    .click();
  await sheet.getByLabel("From").fill(from);
  await expect(sheet.getByRole("button", { name: "Book", exact: true })).toBeEnabled();
  return sheet;
}
const bookedOn = (day: string) =>
  database(async (db) => {
    const { rows } = await db.query("select id, starts_at from studio.visit where starts_at::date = $1::date and cancelled_at is null", [
      day,
    ]);
    return rows as { id: string; starts_at: Date }[];
  });

test("booked without a line: it waits on the tablet, says so, and is booked once the line is back", async ({ page, context }) => {
  const day = dayAhead(33);
  await page.goto(`/?day=${day}`);
  await expect(page.getByRole("button", { name: /^Free from 09:00/ }).first()).toBeVisible();
  const sheet = await fillBooking(page, "10:00");
  await reserveIsThere(page);
  await context.setOffline(true);
  await sheet.getByRole("button", { name: "Book", exact: true }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText(/^The booking of .*, 10:00 is kept on this tablet\. It is sent when the server is back\.$/)).toBeVisible();
  const safety = page.getByTestId("safety");
  await expect(safety).toContainText("1 entry kept here");
  await page.getByRole("button", { name: "Which" }).click();
  const list = page.getByRole("dialog", { name: "On this tablet" });
  await expect(list.getByRole("listitem")).toContainText(/^The booking of/);
  await page.keyboard.press("Escape");
  expect(await bookedOn(day)).toHaveLength(0);

  await context.setOffline(false);
  await expect(safety).toHaveAttribute("data-unsent", "0", { timeout: 30_000 });
  await expect(page.getByText(/^The booking of .*, 10:00 has reached the server\.$/)).toBeVisible();
  await expect(page.getByRole("button", { name: /^10:00 to .*Wilmet/ })).toBeVisible();
  expect(await bookedOn(day)).toHaveLength(1);
});

test("what was refused after it waited stays with its reason until it is seen, over a reload too", async ({ page, context }) => {
  const day = dayAhead(34);
  await page.goto(`/?day=${day}`);
  await expect(page.getByRole("button", { name: /^Free from 09:00/ }).first()).toBeVisible();
  const first = await fillBooking(page, "11:00");
  await first.getByRole("button", { name: "Book", exact: true }).click();
  await expect(first).toBeHidden();
  const [taken] = await bookedOn(day);

  const second = await fillBooking(page, "14:00");
  await context.setOffline(true);
  await second.getByRole("button", { name: "Book", exact: true }).click();
  await expect(page.getByTestId("safety")).toContainText("1 entry kept here");
  // Meanwhile somebody else takes that hour.
  await database((db) => db.query("update studio.visit set starts_at = starts_at + interval '3 hours' where id = $1", [taken!.id]));
  await context.setOffline(false);
  await expect(page.getByTestId("safety")).toContainText("1 not accepted", { timeout: 30_000 });
  await page.reload();
  await page.getByRole("button", { name: "Which" }).click();
  const item = page.getByRole("dialog", { name: "On this tablet" }).getByRole("listitem");
  await expect(item).toContainText(/^The booking of .*, 14:00.*Wilmet/);
  await item.getByRole("button", { name: "Seen" }).click();
  await expect(page.getByText("Everything is on the server.")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(page.getByTestId("safety")).not.toContainText("not accepted");
  expect(await bookedOn(day)).toHaveLength(1);
});

test("a survey kept without a line reaches the server by itself, and its draft is done with", async ({ page, context }) => {
  await openClient(page, /Petra/);
  const clientId = page.url().split("/").pop()!;
  await page.goto(`/clients/${clientId}/survey`);
  const washes = page.getByLabel("Washes a week");
  // What reads the form is there once it refuses something.
  await washes.fill("99");
  await washes.blur();
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText("Some figures cannot be right; they are marked.")).toBeVisible();
  await washes.fill("3");
  await reserveIsThere(page);
  await context.setOffline(true);
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await expect(page.getByText(/^The survey is kept on this tablet\./)).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText("The survey has reached the server.")).toBeVisible({ timeout: 30_000 });
  const { rows } = await database((db) =>
    db.query("select document->>'washesPerWeek' as washes from studio.survey where client_id = $1 order by created_at desc", [clientId]),
  );
  expect(rows[0].washes).toBe("3");
  await page.reload();
  await expect(washes).toHaveValue("3");
  await expect(page.getByText("A survey begun here was not kept")).toHaveCount(0);
});

test("a page with something typed asks before it is left; the first field that is refused has the focus", async ({ page }) => {
  await page.goto("/clients/new");
  const name = page.getByLabel("Name");
  await page.getByRole("button", { name: "Add client" }).click();
  await expect(page.getByText("Give the client's name.")).toBeVisible();
  await expect(name).toBeFocused();
  await page.getByLabel("Other ways to reach them").fill("by the green door");
  await page.getByRole("link", { name: "Shelf" }).click();
  const asks = page.getByRole("dialog", { name: "What you typed is not kept" });
  await asks.getByRole("button", { name: "Go on with it" }).click();
  await expect(page.getByLabel("Other ways to reach them")).toHaveValue("by the green door");
  await page.getByRole("link", { name: "Shelf" }).click();
  await asks.getByRole("button", { name: "Leave it" }).click();
  await expect(page).toHaveURL(/\/shelf$/);
});

test("a sheet takes the keys from the page under it, and gives them back", async ({ page }) => {
  await page.goto(`/?day=${dayAhead(35)}`);
  await expect(page.getByRole("button", { name: /^Free from 09:00/ }).first()).toBeVisible();
  const sheet = page.getByRole("dialog", { name: "Book a visit" });
  await expect(async () => {
    await page.keyboard.press("n");
    await expect(sheet).toBeVisible({ timeout: 1000 });
  }).toPass();
  await sheet.getByRole("button", { name: "Not now" }).focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Escape");
  await expect(sheet).toBeHidden();
  await expect(page).toHaveURL(new RegExp(`day=${dayAhead(35)}`));
  await page.keyboard.press("ArrowRight");
  await expect(page).toHaveURL(new RegExp(`day=${dayAhead(36)}`));
});
