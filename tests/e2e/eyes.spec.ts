import type { Locator, Page } from "@playwright/test";
import { axeFinds, expect, openClient, test, zone } from "./support";

/** Pixels of the lashes' canvas that are drawn on, in a part of it given in shares of its width and height. */
const drawnOn = (page: Page, [from, to]: readonly [number, number] = [0, 1]) =>
  page.locator("[data-view] canvas[data-layer=lashes]").evaluate(
    (canvas: HTMLCanvasElement, [left, right]) => {
      const x = Math.round(canvas.width * left);
      const { data } = canvas.getContext("2d")!.getImageData(x, 0, Math.round(canvas.width * (right - left)), canvas.height);
      let count = 0;
      for (let i = 3; i < data.length; i += 4) if (data[i]! > 90) count += 1;
      return count;
    },
    [from, to] as const,
  );
const xOf = async (locator: Locator) => (await locator.boundingBox())!.x;

async function openMap(page: Page, name: RegExp) {
  await openClient(page, name);
  await page.locator('main a[href*="/map/"]').first().click();
  await page.waitForURL(/\/map\//);
  await expect(zone(page, "right", 1)).toBeVisible();
}

test("one tap turns the eyes from the mirror onto the pad and to the side; each says which eye is which, and the line follows", async ({
  page,
}) => {
  await openMap(page, /Calla/);
  const plate = page.getByRole("group", { name: /^Lash map of both eyes/ });
  const right = plate.getByText("client's right", { exact: true });
  const left = plate.getByText("client's left", { exact: true });
  await expect(plate).toHaveAccessibleName("Lash map of both eyes, in the mirror");
  await expect(plate.getByText("nose", { exact: true })).toBeVisible();
  expect(await xOf(right)).toBeLessThan(await xOf(left));
  expect(await xOf(zone(page, "right", 1))).toBeLessThan(await xOf(zone(page, "left", 1)));
  await expect.poll(() => drawnOn(page)).toBeGreaterThan(2000);

  await page.getByRole("radio", { name: "on the pad" }).click();
  await expect(plate).toHaveAccessibleName("Lash map of both eyes, on the pad");
  await expect(plate.getByText("nose", { exact: true })).toBeVisible();
  expect(await xOf(left)).toBeLessThan(await xOf(right));
  expect(await xOf(zone(page, "left", 1))).toBeLessThan(await xOf(zone(page, "right", 1)));
  await expect.poll(() => drawnOn(page)).toBeGreaterThan(2000);

  await page.getByRole("radio", { name: "from the side" }).click();
  for (const side of ["right", "left"])
    await expect(
      plate.getByRole("img", { name: new RegExp(`^client's ${side} from the side: .* lifts [\\d.]+ mm, reaches [\\d.]+`) }),
    ).toBeVisible();
});

test("lashes follow a length: bare draws fewer, and a stop is marked at the roots and leaves the lashes their ink", async ({ page }) => {
  await openMap(page, /Calla/);
  await expect.poll(() => drawnOn(page)).toBeGreaterThan(2000);
  const before = await drawnOn(page, [0, 0.5]);
  await page.keyboard.press("5");
  await expect(page.locator("[data-mark=chosen]").first()).toBeVisible();
  await page.keyboard.press("Delete");
  await expect.poll(() => drawnOn(page, [0, 0.5])).toBeLessThan(before - 50);
  await page.keyboard.press("Control+z");
  await expect.poll(() => drawnOn(page, [0, 0.5])).toBe(before);
  await expect(page.locator("[data-mark=stop]")).toHaveCount(0);
  for (let i = 0; i < 7; i++) await page.keyboard.press("ArrowUp");
  await expect(zone(page, "right", 5)).toHaveAttribute("data-severity", "stop");
  await expect(page.locator("[data-mark=stop]").first()).toBeVisible();
  expect(await drawnOn(page, [0, 0.5])).toBeGreaterThan(before);
  await page.keyboard.press("Control+z");
});

test("the whole screen for the client: own lashes and a look one over the other, slid by key, drawn anew by neither", async ({ page }) => {
  await openMap(page, /Calla/);
  await page.getByRole("button", { name: "Show the client" }).click();
  const sheet = page.getByRole("dialog", { name: "How it will look" });
  const box = (await sheet.boundingBox())!;
  expect(box.width).toBe(page.viewportSize()!.width);
  const slider = sheet.getByRole("slider");
  await expect(slider).toHaveAttribute("aria-valuetext", "50 % own lashes, 50 % this map");
  await expect(sheet.getByRole("img", { name: /own lashes on the left of the line, this map on the right/ })).toBeVisible();
  await slider.focus();
  await page.evaluate(() => performance.clearMeasures("lashes"));
  await page.keyboard.press("End");
  await expect(slider).toHaveAttribute("aria-valuetext", "100 % own lashes, 0 % this map");
  expect(await page.evaluate(() => performance.getEntriesByName("lashes").length)).toBe(0);
  // The same fibres in another look are there to choose from.
  await expect(sheet.getByLabel("Left of the line", { exact: true }).getByRole("option", { name: "doll" })).toBeAttached();
  await sheet.getByLabel("Left of the line", { exact: true }).selectOption({ label: "doll" });
  await expect(slider).toHaveAttribute("aria-valuetext", "100 % doll, 0 % this map");
  expect(await axeFinds(page, "[role=dialog]")).toEqual([]);
  await page.keyboard.press("Escape");
  await expect(page.getByRole("button", { name: "Show the client" })).toBeFocused();
});

test("splay and colours are asked in the quick form and the full one, drawn, kept and there again", async ({ page }) => {
  await page.goto("/clients/new");
  await page.getByRole("heading", { name: "New client" }).waitFor();
  await page.getByLabel("Name", { exact: true }).fill("Splay asked");
  await page.getByRole("button", { name: "Add client" }).click();
  await page.waitForURL(/\/clients\/[0-9a-f-]{36}$/);
  await page.getByRole("link", { name: "Take a survey" }).click();
  await page.waitForURL(/\/survey$/);
  const tips = () => page.locator(".eye-glass canvas[data-layer=lashes]").evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  await expect(page.getByLabel("client's right, outer, splay")).toHaveValue("");
  const unasked = await tips();
  await page.getByLabel("client's right, outer, splay").selectOption("60° out");
  await expect.poll(tips).not.toBe(unasked);
  await page.getByLabel("Iris colour").selectOption("blue");
  await page.getByRole("radio", { name: "as many as you like" }).click();
  await expect(page.getByLabel("client's right, place 3, splay")).toHaveValue("60");
  await page.getByLabel("client's right, place 1, splay").selectOption("30° in");
  await page.getByRole("button", { name: "Keep", exact: true }).click();
  await page.waitForURL(/\/clients\/[0-9a-f-]{36}$/);
  await page.getByRole("link", { name: "Survey again" }).click();
  await page.waitForURL(/\/survey$/);
  await expect(page.getByLabel("client's right, place 3, splay").or(page.getByLabel("client's right, outer, splay"))).toHaveValue("60");
  await expect(page.getByLabel("client's right, place 1, splay").or(page.getByLabel("client's right, inner, splay"))).toHaveValue("-30");
  await expect(page.getByLabel("Iris colour")).toHaveValue("blue");
});
