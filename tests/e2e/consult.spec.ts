import { database, expect, openService, secrets, test } from "./support";

test("the tablet in a client's hands: their questions and nothing else, back by the password alone", async ({ page }) => {
  test.setTimeout(120_000);
  const visitId = await openService(page, /Ottilie/, "Fill");
  const clientId = await database(
    async (db) => (await db.query("select id from studio.client where name like 'Rosalind%'")).rows[0].id as string,
  );
  await page.getByRole("link", { name: "Hand it to the client" }).click();
  await page.getByRole("button", { name: "Hand it over" }).click();
  await expect(page.getByText(/^Before your fill/)).toBeVisible();

  // No other page, no route and no list is in reach, by address or by the back button.
  for (const path of ["/", "/clients", `/clients/${clientId}`, `/visits/${visitId}`, "/studio", "/air", "/colour"]) {
    await page.goto(path);
    await expect(page).toHaveURL(new RegExp(`/consult/${visitId}$`));
  }
  await page.goBack().catch(() => null);
  await expect(page).toHaveURL(new RegExp(`/consult/${visitId}$`));
  await expect(page.getByText("Rosalind")).toHaveCount(0);
  await expect(page.getByRole("navigation")).toHaveCount(0);
  for (const path of ["/api/visits/running", `/api/visits/${visitId}`])
    expect([path, (await page.request.get(path)).status()]).not.toEqual([path, 200]);

  // The questions in plain words, an allergy named; kept in the client's own name.
  const other = page.getByRole("button", { name: "Something has changed" });
  if (await other.isVisible()) await other.click();
  await page.getByLabel(/latex/i).check();
  for (const none of await page.getByLabel(/^(none|nothing|none of these)$/i).all()) {
    const group = none.locator("xpath=ancestor::fieldset[1]");
    if ((await group.locator("input[type=checkbox]:checked").count()) === 0) await none.check();
  }
  await page.getByRole("button", { name: "These are my answers" }).click();
  await expect(page.getByRole("heading", { name: "Thank you" })).toBeVisible();
  const kept = await database(
    async (db) =>
      (await db.query("select given_by from studio.consultation where visit_id = $1 order by created_at desc limit 1", [visitId])).rows,
  );
  expect(kept).toEqual([{ given_by: "client" }]);

  // Back only by the password of who handed it over.
  await page.getByText(/take the tablet back/).click();
  await page.getByLabel("Your password").fill("not the password");
  await page.getByRole("button", { name: "Take it back" }).click();
  await expect(page.getByText("That is not the password.")).toBeVisible();
  await page.getByLabel("Your password").fill(secrets.password);
  await page.getByRole("button", { name: "Take it back" }).click();
  await page.waitForURL(`**/visits/${visitId}`);
  await expect(page.getByText(/^Answered today/)).toBeVisible();
  await page.goto("/clients");
  await expect(page.getByRole("main").getByRole("link", { name: /Rosalind/ })).toBeVisible();
});

test("a patch test is placed, read clear too early is refused, a reaction stops the service", async ({ page }) => {
  await page.goto("/clients");
  await page.getByRole("main").getByRole("link", { name: /Petra/ }).click();
  await page.waitForURL(/\/clients\/[0-9a-f-]{36}$/);
  await page.getByRole("button", { name: "Place a patch test" }).click();
  let sheet = page.getByRole("dialog", { name: "Place a patch test" });
  await sheet.getByLabel("Of").selectOption({ label: "adhesive" });
  await sheet.getByRole("button", { name: "Keep" }).click();
  await expect(sheet).toBeHidden();
  const test_ = page.getByRole("listitem").filter({ hasText: /^adhesive.*not read yet/ });
  await test_.getByRole("button", { name: "Read it" }).click();
  sheet = page.getByRole("dialog");
  await sheet.getByRole("radio", { name: /^clear/ }).click();
  await sheet.getByRole("button", { name: "Keep" }).click();
  await expect(sheet.getByText(/48 h|too early|not before/i).first()).toBeVisible();
  await sheet.getByRole("radio", { name: "a reaction" }).click();
  await sheet.getByRole("radio", { name: "yes" }).click();
  await sheet.getByRole("button", { name: "Keep" }).click();
  await expect(sheet).toBeHidden();
  const services = page.getByRole("region", { name: "Services" });
  await expect(services.getByRole("listitem").filter({ has: page.getByText("New set", { exact: true }) })).toContainText(
    "Reacted to adhesive: nothing of that family",
  );
});
