import { readdirSync } from "node:fs";
import path from "node:path";
import { request } from "@playwright/test";
import { expect, openClient, secrets, signedOut, signIn, stateOf, test, url } from "./support";

/** Every page of a folder of routes, with some id wherever one is wanted: a new one is asked as well. */
const pagesOf = (folder: string) =>
  readdirSync(folder, { recursive: true, encoding: "utf8" })
    .filter((file) => path.basename(file) === "page.tsx")
    .map(
      (file) =>
        `/${path
          .dirname(file)
          .replace(/^\.$/, "")
          .replace(/\[\w+\]/g, "00000000-0000-4000-8000-000000000000")}`,
    );

test("every answer carries the security headers, and scripts run by nonce alone", async () => {
  const api = await request.newContext({ baseURL: url, storageState: stateOf("maren") });
  for (const path of ["/", "/sign-in", "/clients", "/air", "/api/visits/running", "/api/time", "/nowhere"]) {
    const headers = (await api.get(path)).headers();
    expect([path, headers["content-security-policy"]]).toEqual([
      path,
      expect.stringMatching(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'(;|$)/),
    ]);
    expect(headers["content-security-policy"]).not.toMatch(/script-src[^;]*unsafe/);
    expect(headers["x-content-type-options"]).toBe("nosniff");
    expect(headers["x-frame-options"]).toBe("DENY");
    expect(headers["referrer-policy"]).toBe("same-origin");
    expect(headers["x-powered-by"]).toBeUndefined();
  }
  expect((await api.get("/clients")).headers()["cache-control"]).toContain("no-store");
  await api.dispose();
});

test("signed out, every page leads to the sign-in and every route answers 401", async () => {
  const api = await request.newContext({ baseURL: url, storageState: signedOut });
  const pages = pagesOf("src/app/(studio)");
  expect(pages.length).toBeGreaterThan(15);
  for (const path of [...pages, "/second-factor"]) {
    const answer = await api.get(path);
    expect([path, answer.url()]).toEqual([path, `${url}/sign-in`]);
  }
  for (const path of ["/api/visits/running", "/api/visits/running", "/api/maps/00000000-0000-4000-8000-000000000000/map.json"])
    expect([path, (await api.get(path)).status()]).toEqual([path, 401]);
  await api.dispose();
});

test("another site's page signs nobody in and sends no taps", async () => {
  const api = await request.newContext({
    baseURL: url,
    storageState: stateOf("maren"),
    extraHTTPHeaders: { origin: "http://elsewhere.example" },
  });
  expect(
    (await api.post("/api/auth/sign-in/email", { data: { email: "maren@tideroom.example", password: secrets.password } })).status(),
  ).toBe(403);
  expect((await api.post("/api/auth/sign-out", { data: {} })).status()).toBe(403);
  await api.dispose();
});

test("10 MB at the door are refused", async () => {
  const api = await request.newContext({ baseURL: url, storageState: signedOut, extraHTTPHeaders: { origin: url } });
  const big = { email: "maren@tideroom.example", password: "x".repeat(10 * 1024 * 1024) };
  for (const path of ["/api/auth/sign-in/email", "/api/intake/readings"]) {
    const answer = await api.post(path, { data: big, headers: { authorization: `Bearer ${"t".repeat(40)}` } });
    expect([path, answer.status()]).toEqual([path, 413]);
  }
  await api.dispose();
});

test("a wrong password says so and keeps the address; signing out ends the session for every copy of its cookie", async ({ browser }) => {
  const context = await browser.newContext({ baseURL: url, storageState: signedOut });
  const page = await context.newPage();
  await signIn(page, "pim@tideroom.example", "wrong wrong wrong");
  await expect(page.getByText("That address and password do not go together.")).toBeVisible();
  await expect(page.getByLabel("E-mail")).toHaveValue("pim@tideroom.example");
  await signIn(page, "pim@tideroom.example", secrets.password);
  await page.waitForURL(`${url}/`);
  const copy = await request.newContext({ baseURL: url, storageState: await context.storageState() });
  expect((await copy.get("/api/visits/running")).status()).toBe(200);
  await page.getByRole("button", { name: /Pim Arkwell, menu/ }).click();
  await page.getByRole("menuitem", { name: "Sign out" }).click();
  await page.waitForURL(/sign-in/);
  expect((await copy.get("/api/visits/running")).status()).toBe(401);
  expect(await page.evaluate(async () => (await indexedDB.databases()).length)).toBe(0);
  await page.goBack();
  await expect(page.getByText("Ottilie")).toHaveCount(0);
  await copy.dispose();
  await context.close();
});

test.describe("a trainee", () => {
  test.use({ who: "pim" });
  test("sees the policy but cannot change it, nor put a client away, nor take a tray off the shelf", async ({ page }) => {
    await page.goto("/studio");
    await expect(page.getByLabel("Over-length at most")).toBeDisabled();
    await expect(page.getByText("Only the owner changes these.")).toBeVisible();
    await expect(page.getByRole("button", { name: "Add someone" })).toHaveCount(0);
    await openClient(page, /Zofia/);
    await expect(page.getByRole("button", { name: "Archive" })).toHaveCount(0);
    await page.goto("/shelf");
    await expect(page.getByRole("button", { name: /off the shelf/ })).toHaveCount(0);
  });
});

test("the owner changes the policy; a wrong figure is named and stays; the map follows at once", async ({ page }) => {
  await page.goto("/studio");
  await page.getByLabel("Over-length at most").fill("lots");
  await page.getByRole("button", { name: "Keep the policy" }).click();
  await expect(page.getByText("Something here is not right yet.")).toBeVisible();
  await expect(page.getByLabel("Over-length at most")).toHaveValue("lots");
  await page.getByLabel("Over-length at most").fill("2");
  await page.getByRole("button", { name: "Keep the policy" }).click();
  await expect(page.getByText("Kept. Maps and clocks follow it from now on.")).toBeVisible();
  await openClient(page, /Ottilie/);
  await page
    .getByRole("link", { name: /squirrel/ })
    .first()
    .click();
  await expect(page.getByText("The limit here is 2").first()).toBeVisible();
  await page.goto("/studio");
  await page.getByRole("button", { name: "Fill in the defaults" }).click();
  await page.getByRole("button", { name: "Keep the policy" }).click();
  await expect(page.getByText("Kept. Maps and clocks follow it from now on.")).toBeVisible();
});

test("addresses of nothing lead to a page with words", async ({ page }) => {
  for (const path of ["/clients/not-an-id", "/clients/00000000-0000-4000-8000-000000000000", "/visits/7", "/nowhere"]) {
    await page.goto(path);
    await expect(page.getByText("Nothing is kept here")).toBeVisible();
  }
});
