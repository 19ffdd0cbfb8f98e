import type { Browser, BrowserContext, Page } from "@playwright/test";
import { recover } from "../../src/db/recover";
import { codeAt } from "../support/totp";
import { axeFinds, database, databases, expect, mailPage, signedOut, signIn, test, url } from "./support";

// Passwords, links, a second factor, lockout, deactivating and recovery, by the pages that people use. Wren is made here and belongs to nobody else.

test.describe.configure({ mode: "serial" });
test.setTimeout(120_000);

const WREN = "wren@tideroom.example";
let password = "first of hers 12";

async function fresh(browser: Browser, headers: Record<string, string> = {}): Promise<{ context: BrowserContext; page: Page }> {
  const context = await browser.newContext({ baseURL: url, storageState: signedOut, extraHTTPHeaders: headers, permissions: [] });
  return { context, page: await context.newPage() };
}
const isIn = (page: Page) => expect(page.getByRole("navigation", { name: "Places" })).toBeVisible();

async function personSheet(page: Page) {
  await page.goto("/studio/people");
  await page.getByRole("button", { name: "Change Wren Ashdown" }).click();
  return page.getByRole("dialog", { name: "Wren Ashdown" });
}

test("somebody is invited, gets the link by mail, chooses a password and signs in; the link is used up", async ({ page, browser }) => {
  await page.goto("/studio/people");
  await page.getByRole("button", { name: "Invite someone" }).click();
  const sheet = page.getByRole("dialog");
  await expect(sheet.getByLabel("Name")).toBeFocused();
  await sheet.getByLabel("Name").fill("Wren Ashdown");
  await sheet.getByLabel(/^E-mail/).fill("wren");
  await sheet.getByRole("button", { name: "Make the link" }).click();
  await expect(sheet.getByText("This is not an e-mail address.")).toBeVisible();
  await sheet.getByLabel(/^E-mail/).fill(WREN);
  await sheet.getByRole("button", { name: "Make the link" }).click();
  const link = await sheet.getByLabel("Link").inputValue();
  await sheet.getByRole("button", { name: `Send to ${WREN}` }).click();
  await expect(sheet.getByText(`Sent to ${WREN}.`)).toBeVisible();
  await sheet.getByRole("button", { name: "Done" }).click();
  await expect(page.getByTestId("person").filter({ hasText: "Wren Ashdown" })).toContainText("invited, link until");

  const [mail] = (await (await page.request.get(`${mailPage}/mails.json`)).json()) as { to: string; text: string }[];
  expect(mail).toMatchObject({ to: WREN, text: expect.stringContaining(link) });

  const { context, page: hers } = await fresh(browser);
  await hers.goto(link);
  await expect(hers.getByRole("heading", { name: "Choose a password" })).toBeVisible();
  expect(await axeFinds(hers)).toEqual([]);
  await hers.getByLabel("New password").fill("too short");
  await hers.getByLabel("The same again").fill("too short");
  await hers.getByRole("button", { name: "Keep this password" }).click();
  await expect(hers.locator("p", { hasText: "■ Ten characters at least." })).toBeVisible();
  await hers.getByLabel("Show what I type").check();
  await expect(hers.getByLabel("New password")).toHaveAttribute("type", "text");
  await hers.getByLabel("New password").fill(password);
  await hers.getByLabel("The same again").fill(`${password}x`);
  await hers.getByRole("button", { name: "Keep this password" }).click();
  await expect(hers.getByText("Not the same as above.")).toBeVisible();
  await hers.getByLabel("The same again").fill(password);
  await hers.getByRole("button", { name: "Keep this password" }).click();
  await expect(hers.getByText("Your password is kept.")).toBeVisible();
  await hers.goto(link);
  await expect(hers.getByRole("heading", { name: "This link is over" })).toBeVisible();
  await signIn(hers, WREN, password);
  await isIn(hers);
  await context.close();
});

test("a changed password signs out everywhere else, and is kept from eight characters", async ({ browser }) => {
  const [here, there] = [await fresh(browser), await fresh(browser)];
  for (const { page } of [here, there]) {
    await signIn(page, WREN, password);
    await isIn(page);
  }
  await here.page.goto("/profile");
  await expect(here.page.getByTestId("session")).toHaveCount(3);
  const form = here.page.getByRole("region", { name: "Password" });
  const change = async (current: string, next: string) => {
    await form.getByLabel("Current password").fill(current);
    await form.getByLabel("New password").fill(next);
    await form.getByLabel("The same again").fill(next);
    await form.getByRole("button", { name: "Change password" }).click();
  };
  await change(password, "12345678");
  await expect(form.locator("p", { hasText: "■ Ten characters at least." })).toBeVisible();
  await change("not this one at all", "second of hers 34");
  await expect(form.getByText("That is not your password.")).toBeVisible();
  await change(password, "second of hers 34");
  await expect(form.getByText("Everywhere else you are signed out.")).toBeVisible();
  password = "second of hers 34";
  await expect(here.page.getByTestId("session")).toHaveCount(1);
  await there.page.goto("/clients");
  await expect(there.page).toHaveURL(/\/sign-in$/);
  await here.context.close();
  await there.context.close();
});

test("another e-mail address: by the password; the one before is told, and lets nobody in", async ({ browser }) => {
  const { context, page } = await fresh(browser);
  await signIn(page, WREN, password);
  await isIn(page);
  await page.goto("/profile");
  const mine = page.getByRole("region", { name: "Name and e-mail" });
  const sheet = page.getByRole("dialog", { name: "Change your e-mail address" });
  const change = async (email: string, current: string) => {
    await sheet.getByLabel("New e-mail address").fill(email);
    await sheet.getByLabel("Your password").fill(current);
    await sheet.getByRole("button", { name: "Change e-mail" }).click();
  };
  await mine.getByRole("button", { name: "Change e-mail" }).click();
  await expect(sheet.getByLabel("New e-mail address")).toBeFocused();
  await change("ashdown@post.example", "not this one at all");
  await expect(sheet.getByText("That is not your password.")).toBeVisible();
  await expect(sheet.getByLabel("New e-mail address")).toHaveValue("ashdown@post.example");
  expect(await axeFinds(page)).toEqual([]);
  await change("ashdown@post.example", password);
  await expect(page.getByText("From now on you sign in with the new address.")).toBeVisible();
  await expect(mine).toContainText("You sign in as ashdown@post.example");
  const [mail] = (await (await page.request.get(`${mailPage}/mails.json`)).json()) as { to: string; subject: string }[];
  expect(mail).toMatchObject({ to: WREN, subject: expect.stringContaining("another address") });

  const other = await fresh(browser);
  await signIn(other.page, "ashdown@post.example", password);
  await isIn(other.page);
  await other.context.close();
  await mine.getByRole("button", { name: "Change e-mail" }).click();
  await change(WREN, password);
  await expect(mine).toContainText(`You sign in as ${WREN}`);
  const late = await fresh(browser);
  await signIn(late.page, "ashdown@post.example", password);
  await expect(late.page.getByText("That address and password do not go together.")).toBeVisible();
  await late.context.close();
  await context.close();
});

async function byRecoveryCode(page: Page, code: string) {
  await signIn(page, WREN, password);
  await page.getByRole("button", { name: "Use a recovery code" }).click();
  await page.getByLabel("Recovery code").fill(code);
  await page.getByRole("button", { name: "Sign in" }).click();
}

let recoveryCodes: string[] = [];
let secret = "";

test("a second factor is set up, asked at sign-in, and got round by a recovery code once", async ({ browser }) => {
  const { context, page } = await fresh(browser);
  await signIn(page, WREN, password);
  await isIn(page);
  await page.goto("/profile");
  await page.getByRole("button", { name: "Set up a second factor" }).click();
  const sheet = page.getByRole("dialog", { name: "Second factor" });
  await sheet.getByLabel("Your password").fill(password);
  await sheet.getByRole("button", { name: "Go on" }).click();
  await expect(sheet.getByRole("img", { name: "Square to be scanned" })).toBeVisible();
  expect(await axeFinds(page)).toEqual([]);
  secret = (await sheet.getByTestId("secret").innerText()).replace(/\s/g, "");
  await sheet.getByLabel("Code from your app").fill("000 000");
  await sheet.getByRole("button", { name: "Ask for a code from now on" }).click();
  await expect(sheet.getByText(/That code is not right/)).toBeVisible();
  const now = codeAt(secret, Date.now());
  await sheet.getByLabel("Code from your app").fill(`${now.slice(0, 3)} ${now.slice(3)}`);
  await sheet.getByRole("button", { name: "Ask for a code from now on" }).click();
  await expect(sheet.getByTestId("recovery-codes").getByRole("listitem")).toHaveCount(10);
  recoveryCodes = await sheet.getByTestId("recovery-codes").getByRole("listitem").allInnerTexts();
  await sheet.getByRole("button", { name: "I have kept them" }).click();
  await expect(page.getByText("A code from your app is asked at every sign-in.")).toBeVisible();
  await context.close();

  const next = await fresh(browser);
  await signIn(next.page, WREN, password);
  await next.page.getByLabel("Code from your app").waitFor();
  expect(await axeFinds(next.page)).toEqual([]);
  // The password alone is no way in, by whatever address.
  await next.page.goto("/clients");
  await expect(next.page).toHaveURL(/\/sign-in$/);
  await signIn(next.page, WREN, password);
  await next.page.getByLabel("Code from your app").fill("123456");
  await next.page.getByRole("button", { name: "Sign in" }).click();
  await expect(next.page.getByText(/That code is not right/)).toBeVisible();
  await next.page.getByLabel("Code from your app").fill(codeAt(secret, Date.now() + 30_000));
  await next.page.getByRole("button", { name: "Sign in" }).click();
  await isIn(next.page);
  await next.context.close();

  const recovers = async (words: RegExp | null) => {
    const { context: one, page: at } = await fresh(browser);
    await byRecoveryCode(at, recoveryCodes[0]!);
    if (words) await expect(at.getByText(words)).toBeVisible();
    else await isIn(at);
    await one.close();
  };
  await recovers(null);
  await recovers(/none of your recovery codes, or it was used already/);
});

test("ten wrong guesses stop the guesser, whatever address they make up, and not who signed in on their own device before", async ({
  browser,
}) => {
  const known = await fresh(browser);
  await byRecoveryCode(known.page, recoveryCodes[1]!);
  await isIn(known.page);

  const guesser = await fresh(browser);
  for (let i = 0; i < 10; i++) {
    const answer = await guesser.context.request.post("/api/auth/sign-in/email", {
      data: { email: WREN, password: `guess number ${i}` },
      headers: { origin: url, "x-forwarded-for": `203.0.113.${i}`, "x-real-ip": `203.0.113.${i}` },
    });
    expect([i, answer.status()]).toEqual([i, 401]);
  }
  await signIn(guesser.page, WREN, password);
  await expect(guesser.page.getByText("Too many tries. Wait a quarter of an hour.")).toBeVisible();
  await guesser.context.close();

  await known.page.getByRole("button", { name: /, menu$/ }).click();
  await known.page.getByRole("menuitem", { name: "Sign out" }).click();
  await expect(known.page).toHaveURL(/\/sign-in$/);
  await signIn(known.page, WREN, password);
  await expect(known.page.getByLabel("Code from your app")).toBeVisible();
  await known.context.close();
});

test("a lost phone: the owner takes the second factor off; who is deactivated is out at once, and comes back", async ({
  page,
  browser,
}) => {
  const sheet = await personSheet(page);
  await sheet.getByRole("button", { name: "Take the second factor off" }).click();
  await expect(sheet).toBeHidden();
  await database((db) => db.query("delete from auth.rate_limit"));
  const { context, page: hers } = await fresh(browser);
  await signIn(hers, WREN, password);
  await isIn(hers);

  const again = await personSheet(page);
  await again.getByRole("button", { name: "Deactivate…" }).click();
  expect(await axeFinds(page)).toEqual([]);
  await again.getByRole("button", { name: "Deactivate Wren Ashdown" }).click();
  await expect(page.getByRole("region", { name: "Deactivated" })).toContainText("Wren Ashdown");
  await hers.goto("/clients");
  await expect(hers).toHaveURL(/\/sign-in$/);
  await signIn(hers, WREN, password);
  await expect(hers.getByText("You were deactivated in this studio. Its owner can bring you back.")).toBeVisible();

  await (await personSheet(page)).getByRole("button", { name: "Bring back" }).click();
  await expect(page.getByRole("region", { name: "Deactivated" })).toBeHidden();
  await signIn(hers, WREN, password);
  await isIn(hers);
  await context.close();
});

test("a forgotten password: by mail, and by whoever runs the server", async ({ browser }) => {
  const { context, page } = await fresh(browser);
  await page.goto("/sign-in");
  await page.getByRole("button", { name: "Forgotten password" }).click();
  await page.getByLabel(/^Or have one sent/).fill(WREN);
  expect(await axeFinds(page)).toEqual([]);
  await page.getByRole("button", { name: "Send me a link" }).click();
  await expect(page.getByText(/a link is on its way/)).toBeVisible();
  const newest = async () =>
    ((await (await page.request.get(`${mailPage}/mails.json`)).json()) as { to: string; subject: string; text: string }[])[0]!;
  await expect(async () => expect((await newest()).subject).toMatch(/new password/)).toPass();
  await page.goto(/http\S+\/link\/\S+/.exec((await newest()).text)![0]);
  const choose = async (next: string) => {
    await page.getByLabel("New password").fill(next);
    await page.getByLabel("The same again").fill(next);
    await page.getByRole("button", { name: "Keep this password" }).click();
    await page.getByRole("link", { name: "Sign in" }).click();
    await signIn(page, WREN, next);
    await isIn(page);
  };
  await choose("third of hers 567");

  const found = await recover(databases.owner, WREN, { secondFactorOff: true });
  if (!found.ok) throw new Error(found.why);
  await page.goto(`/link/${found.token}`);
  await choose("fourth of hers 89");
  await context.close();
});

test("the audit list tells all of it to the owner, filtered and as a file, and to nobody else", async ({ page, browser }) => {
  await page.goto("/studio/audit");
  const rows = page.getByRole("row");
  await expect(rows.filter({ hasText: /somebody.*failed to sign in: Wren Ashdown/ }).first()).toBeVisible();
  await page.getByLabel("Matter").selectOption("People");
  await page.getByRole("button", { name: "Show" }).click();
  await expect(rows.filter({ hasText: "deactivated: Wren Ashdown" })).toHaveCount(1);
  await expect(rows.filter({ hasText: "signed in" })).toHaveCount(0);
  const [download] = await Promise.all([page.waitForEvent("download"), page.getByRole("link", { name: "Export as CSV" }).click()]);
  const text = await (await import("node:fs/promises")).readFile(await download.path(), "utf8");
  expect(text).toContain("brought back");
  expect(text).not.toContain("signed in");
  const pim = await browser.newContext({ baseURL: url, storageState: "test-results/pim.json" });
  const his = await pim.newPage();
  await his.goto("/studio/audit");
  await expect(his.getByText("It is the owner’s to read")).toBeVisible();
  expect((await pim.request.get("/api/audit")).status()).toBe(403);
  await pim.close();
});

test("asked of everybody, a second factor is set up before anything else", async ({ browser }) => {
  await database((db) => db.query("update studio.studio set second_factor_since = now()"));
  try {
    const { context, page } = await fresh(browser);
    await signIn(page, WREN, "fourth of hers 89");
    await expect(page.getByRole("heading", { name: "One more step" })).toBeVisible();
    expect(await axeFinds(page)).toEqual([]);
    await page.goto("/clients");
    await expect(page).toHaveURL(/\/second-factor$/);
    expect((await page.request.get("/api/visits/running")).status()).toBe(401);
    await page.getByLabel("Your password").fill("fourth of hers 89");
    await page.getByRole("button", { name: "Go on" }).click();
    const own = (await page.getByTestId("secret").innerText()).replace(/\s/g, "");
    await page.getByLabel("Code from your app").fill(codeAt(own, Date.now()));
    await page.getByRole("button", { name: "Ask for a code from now on" }).click();
    await page.getByRole("button", { name: "I have kept them" }).click();
    await isIn(page);
    await context.close();
  } finally {
    await database((db) => db.query("update studio.studio set second_factor_since = null"));
  }
});
