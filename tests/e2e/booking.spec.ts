import type { Page } from "@playwright/test";
import { beginVisit, confirmAnswers, database, expect, test } from "./support";

/** A day of the studio no test and no demo books anything on: so many days ahead. */
const dayAhead = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
const thread = (page: Page, name: string) => page.getByRole("region", { name, exact: false }).filter({ has: page.locator("h2") });
const visitsOf = (page: Page, name: RegExp) => page.getByTestId("day-visit").and(page.getByRole("button", { name }));

test("booked on a free stretch, moved by keys and by hand, refused over another, cancelled, taken up, taken back", async ({ page }) => {
  test.setTimeout(120_000);
  // Within six weeks of her last fill, so that she wears it, whether or not today's has been done.
  await page.goto(`/?day=${dayAhead(16)}`);
  const maren = thread(page, "Maren");
  const jossa = thread(page, "Jossa");
  await expect(maren.getByRole("button", { name: /^Free from 09:00: 9 h 30, a new set fits$/ })).toBeVisible();

  // On the free stretch: who, what; the rest is proposed.
  await maren.getByRole("button", { name: /^Free from 09:00/ }).click();
  const sheet = page.getByRole("dialog", { name: "Book a visit" });
  await expect(sheet.getByLabel("From")).toHaveValue("09:00");
  await sheet.getByLabel("Client").fill("Hesp");
  await sheet
    .getByRole("list", { name: "Clients found" })
    .getByRole("button", { name: /Hesper/ })
    .click();
  await sheet.getByLabel("Service").selectOption({ label: "Lash lift" });
  // What stands against it is said before it is kept: no lift over the set she wears.
  await expect(sheet.getByText(/not over extensions/)).toBeVisible();
  await expect(sheet.getByRole("button", { name: "Book", exact: true })).toBeDisabled();
  await sheet.getByLabel("Service").selectOption({ label: "Fill" });
  await expect(sheet.getByText(/not over extensions/)).toBeHidden();
  await expect(sheet.getByLabel("Minutes")).toHaveValue(/^\d{2,3}$/);
  await sheet.getByRole("button", { name: "Book", exact: true }).click();
  await expect(sheet).toBeHidden();
  const hesper = visitsOf(page, /Hesper/);
  await expect(hesper).toHaveAccessibleName(/^09:00 to 1\d:\d\d: Hesper Dunmore, fill/);

  // A second visit for the same hand at that hour is refused in words that name the first, and what was typed stays.
  await page.keyboard.press("n");
  await sheet.getByLabel("Client").fill("Petra");
  await sheet.getByRole("list", { name: "Clients found" }).getByRole("button", { name: /Petra/ }).click();
  await sheet.getByLabel("From").fill("09:30");
  await sheet.getByRole("button", { name: "Book", exact: true }).click();
  await expect(sheet.getByText(/Hesper Dunmore/)).toBeVisible();
  await sheet.getByLabel("With").selectOption({ label: "Jossa Quill" });
  const chairs = await sheet.getByLabel("Chair").getByRole("option").allInnerTexts();
  await sheet.getByLabel("Chair").selectOption({ label: chairs.find((name) => name.startsWith("Back room"))! });
  await sheet.getByRole("button", { name: "Book", exact: true }).click();
  await expect(sheet).toBeHidden();
  await expect(jossa.getByRole("button", { name: /^09:30 to .*Petra/ })).toBeVisible();

  // By keys: picked up, half an hour later, put down; and taken back.
  await hesper.focus();
  await page.keyboard.press("m");
  await expect(hesper).toHaveAttribute("aria-pressed", "true");
  for (const at of ["09:05", "09:10", "09:15", "09:20", "09:25", "09:30"]) {
    await page.keyboard.press("ArrowRight");
    await expect(maren.getByText(new RegExp(`^${at}`))).toBeVisible();
  }
  await page.keyboard.press("m");
  await expect(page.getByText(/moved to 09:30/)).toBeVisible();
  await expect(hesper).toHaveAccessibleName(/^09:30 to/);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(hesper).toHaveAccessibleName(/^09:00 to/);

  // By hand, onto another's thread: refused where she is booked, kept beside it.
  const dragTo = async (y: number, byMin: number) => {
    const from = (await hesper.boundingBox())!;
    const [nine, ten] = await Promise.all(["10:00", "12:00"].map((hour) => page.getByText(hour, { exact: true }).first().boundingBox()));
    const perMin = (ten!.x - nine!.x) / 120;
    await page.mouse.move(from.x + 20, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(from.x + 40, from.y + from.height / 2, { steps: 3 });
    await page.mouse.move(from.x + 20 + byMin * perMin, y, { steps: 8 });
    await page.mouse.up();
  };
  const row = (await jossa.getByRole("button", { name: /Petra/ }).boundingBox())!;
  await dragTo(row.y + row.height / 2, 30);
  await expect(page.getByRole("alert").filter({ hasText: "Petra Windlass" })).toBeVisible();
  await expect(maren.getByRole("button", { name: /Hesper/ })).toBeVisible();
  await dragTo(row.y + row.height / 2, 240);
  await expect(page.getByText(/moved to 13:00, Jossa/)).toBeVisible();
  await expect(jossa.getByRole("button", { name: /^13:00 to .*Hesper/ })).toBeVisible();

  // Cancelled with a reason, shown as such, taken up again; a mistaken one is taken back and brought back.
  await hesper.click();
  const visit = page.getByRole("dialog", { name: "Hesper Dunmore" });
  await visit.getByRole("button", { name: "Cancel it" }).click();
  await visit.getByRole("button", { name: "Cancel the visit" }).click();
  await expect(visit.getByText(/why/i).last()).toBeVisible();
  await visit.getByLabel("Why it is cancelled").fill("has a cold");
  await visit.getByRole("button", { name: "Cancel the visit" }).click();
  const cancelled = page.getByRole("region", { name: "Cancelled" });
  await expect(cancelled).toContainText("Hesper Dunmore, fill: has a cold");
  await expect(hesper).toHaveCount(0);
  await cancelled.getByRole("button", { name: "Take it up again" }).click();
  await expect(hesper).toBeVisible();
  await hesper.click();
  await visit.getByRole("button", { name: "Made by mistake: take it back" }).click();
  await expect(hesper).toHaveCount(0);
  await page.getByRole("button", { name: "Undo" }).click();
  await expect(hesper).toBeVisible();
});

test("from Today to the first bead's button in three taps: last time's map, the answers confirmed, begun", async ({ page }) => {
  // The fill booked for her is the next one, whatever the hour the tests run at.
  const visitId = await database(async (db) => {
    const { rows } = await db.query(`update studio.visit v set starts_at = (select min(starts_at) - interval '1 minute' from studio.visit
        where technician_id = v.technician_id and starts_at::date = v.starts_at::date), keeps_time = false, map_id = null, map_revision = null
      where v.id = (select o.id from studio.visit o join studio.client c on c.id = o.client_id and c.name like 'Hesper%' where o.service = 'fill'
        and o.last_seq = 0 and o.cancelled_at is null and o.withdrawn_at is null order by o.created_at, o.id limit 1) returning v.id`);
    return rows[0].id as string;
  });
  await page.goto("/");
  const next = page.getByRole("region", { name: "Next for you" });
  await expect(next).toContainText("Hesper");
  await next.getByRole("button", { name: "Start with last time’s map" }).click();
  await page.waitForURL(`**/visits/${visitId}`);
  await confirmAnswers(page);
  await beginVisit(page);
  // Under way it is dragged no more, and opens all the same.
  await page.goto("/");
  await page
    .getByTestId("day-visit")
    .and(page.getByRole("button", { name: /Hesper.*, fill, under way/ }))
    .click();
  await expect(page.getByRole("dialog").getByRole("link", { name: "To the chair" })).toBeVisible();
  await database((db) => db.query("delete from studio.visit_event where visit_id = $1", [visitId]));
});

test("a day on a phone is a list; a visit is booked and opened from it", async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`/?day=${dayAhead(24)}`);
  await expect(page.getByText("Nothing is booked for this day")).toBeVisible();
  await page.getByRole("button", { name: "Book" }).click();
  const sheet = page.getByRole("dialog", { name: "Book a visit" });
  await sheet.getByLabel("Client").fill("Ottilie");
  await sheet
    .getByRole("list", { name: "Clients found" })
    .getByRole("button", { name: /Ottilie/ })
    .click();
  await sheet.getByRole("button", { name: "Book", exact: true }).click();
  await page.getByRole("listitem").filter({ hasText: "Ottilie" }).getByRole("button").first().click();
  await expect(page.getByRole("dialog", { name: /Ottilie/ }).getByRole("link", { name: "Open the visit" })).toBeVisible();
});
