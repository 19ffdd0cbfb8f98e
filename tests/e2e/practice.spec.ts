import { beginVisit, expect, openClient, test, toTheChair, zone, zoneText } from "./support";

test("practice on a mannequin head: surveyed, mapped to 25 mm, worked without a client's questions; refused on a client", async ({
  page,
}) => {
  await page.goto("/clients");
  await page.getByRole("link", { name: "Add a mannequin head" }).click();
  await expect(page.getByRole("heading", { name: "New mannequin head" })).toBeVisible();
  await page.getByLabel("Name").fill("Head on the tall stand");
  await expect(page.getByLabel("Date of birth")).toHaveCount(0);
  await page.getByRole("button", { name: "Add mannequin head" }).click();
  await page.waitForURL(/\/clients\/[0-9a-f-]{36}$/);
  await expect(page.getByText(/Patch test/)).toHaveCount(0);
  await expect(page.getByRole("region", { name: "Services" }).getByRole("listitem")).toHaveCount(1);

  await page.getByRole("link", { name: "Take a survey" }).click();
  await expect(page.getByText(/Starts from a mannequin head’s strip lashes/)).toBeVisible();
  await expect(page.getByLabel("Sleeps on")).toHaveCount(0);
  await page.getByRole("button", { name: "Keep and plan a map" }).click();
  await page.waitForURL(/\/map$/);
  await page.getByLabel("Fibre").first().selectOption({ label: "C 0.20" });
  await expect.poll(() => zoneText(page, "right", 6)).toMatch(/^(20|22) mm$/);
  await zone(page, "right", 6).click();
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("ArrowUp");
  await expect.poll(() => zoneText(page, "right", 6)).toMatch(/^25 mm/);
  await expect(page.getByRole("region", { name: "Findings" })).toContainText("On a client:");
  await expect(zone(page, "right", 6)).not.toHaveAttribute("data-severity", "stop");
  await page.getByText("Import and export").click();
  const [file] = await Promise.all([page.waitForEvent("download"), page.getByRole("button", { name: "JSON" }).click()]);

  await toTheChair(page);
  await expect(page.getByText(/practice on a mannequin head/)).toBeVisible();
  await expect(page.getByRole("button", { name: "Ask the consultation" })).toHaveCount(0);
  await beginVisit(page);
  await page.getByRole("button", { name: "First bead" }).click();
  await page.getByRole("button", { name: "dry", exact: true }).click();
  // Nobody's eyes wait for the cure.
  await page.getByRole("button", { name: "Finish the visit" }).click();
  await expect(page.getByRole("heading", { name: "Done and kept" })).toBeVisible();
  await expect(page.getByRole("region", { name: "Aftercare card" })).toHaveCount(0);

  // The same map taken to a client is refused in words, and her fibres end at 18 mm.
  await openClient(page, /Sunniva/);
  await page.locator('main a[href*="/map/"]').first().click();
  await page.waitForURL(/\/map\//);
  await expect(page.getByLabel("Fibre").first().locator("option", { hasText: "C 0.20" })).toHaveCount(0);
  await page.getByLabel("A map file to import").setInputFiles(await file.path());
  await expect(page.getByText(/This map wears a 25: past 18 mm is for practice on a mannequin head, never for a client/)).toBeVisible();
});
