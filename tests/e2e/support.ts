import AxeBuilder from "@axe-core/playwright";
import { expect, type Page, test as base } from "@playwright/test";
import pg from "pg";

export const url = process.env.IVY_E2E_URL ?? "";
export const secrets = JSON.parse(process.env.IVY_E2E_SECRETS ?? "{}") as {
  password: string;
  secret: string;
  tokens: { front: string; back: string };
};
export const databases = JSON.parse(process.env.IVY_E2E_URLS ?? "{}") as { owner: string; app: string; auth: string; device: string };
/** Where the simulated mail gateway shows what it got. */
export const mailPage = process.env.IVY_E2E_MAIL ?? "";
/** Contexts made in a test take on the test's own sign-in unless told otherwise. */
export const signedOut = { cookies: [], origins: [] };
export type Who = "maren" | "jossa" | "pim";
export const stateOf = (who: Who) => `test-results/${who}.json`;

/** Tests that begin signed in; a script error on any page fails them. */
export const test = base.extend<{ who: Who; quiet: void }>({
  who: ["maren", { option: true }],
  storageState: async ({ who }, provide) => provide(stateOf(who)),
  quiet: [
    async ({ page }, provide) => {
      const errors: string[] = [];
      page.on("pageerror", (error) => errors.push(error.message));
      page.on("console", (message) => {
        if (message.type() === "error" && /Content Security Policy|Hydration|hydrat/i.test(message.text())) errors.push(message.text());
      });
      await provide();
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };

export async function signIn(page: Page, email: string, password: string) {
  await page.goto("/sign-in");
  await page.getByLabel("E-mail").fill(email);
  await page.getByLabel("Password").fill(password);
  await page.getByRole("button", { name: "Sign in" }).click();
}

/** Opens a client of the demo by name. */
export async function openClient(page: Page, name: RegExp) {
  // Looked for where the name is a plain one: a list has pages.
  await page.goto(/^[\p{L} ]+$/u.test(name.source) ? `/clients?find=${encodeURIComponent(name.source)}` : "/clients");
  // By the name itself: a search finds notes that name somebody, too.
  await page
    .getByRole("main")
    .getByRole("link")
    .filter({ has: page.locator("bdi", { hasText: name }) })
    .click();
  await page.waitForURL(/\/clients\/[0-9a-f-]{36}$/);
}

/** Opens a service from a client's page: today's visit for it, or a walk-in. Returns the visit's id. */
export async function openService(page: Page, name: RegExp, service: string): Promise<string> {
  await openClient(page, name);
  const row = page
    .getByRole("region", { name: "Services" })
    .getByRole("listitem")
    .filter({ has: page.getByText(service, { exact: true }) });
  await row.first().getByRole("button", { name: "Begin" }).click();
  const toIt = page.getByRole("button", { name: "To the visit" });
  await Promise.race([page.waitForURL(/\/visits\//), toIt.click().then(() => page.waitForURL(/\/visits\//))]);
  return page.url().split("/").pop()!;
}

/** From a map to its visit, whether or not something is booked at this hour. */
export async function toTheChair(page: Page) {
  await page.getByRole("button", { name: "To the chair" }).click();
  const warned = page.getByRole("dialog").getByRole("button", { name: "To the chair" });
  await Promise.race([page.waitForURL(/\/visits\//), warned.click().then(() => page.waitForURL(/\/visits\//))]);
}

/** Waits until a page just loaded hears the keyboard: what is pressed before its script runs is heard by nobody. */
export async function keysAreHeard(page: Page) {
  const help = page.getByRole("dialog", { name: "Keys" });
  await expect(async () => {
    await page.keyboard.press("?");
    await expect(help).toBeVisible({ timeout: 1_000 });
  }).toPass();
  await page.keyboard.press("Escape");
  await expect(help).toBeHidden();
}

/** Begins a visit that nothing stands against any more, and waits until it has begun. */
export async function beginVisit(page: Page) {
  await page.getByRole("button", { name: "Begin the visit" }).click();
  await expect(page.getByRole("button", { name: "First bead" })).toBeVisible();
}

/** The consultation asked whole on a visit's page, with nothing so but what is named. */
export async function askWhole(page: Page, so: readonly string[] = []) {
  await page.getByRole("button", { name: /^Ask (it whole|the consultation)$/ }).click();
  const sheet = page.getByRole("dialog", { name: "Consultation" });
  const nones = sheet.getByLabel(/^(none|nothing|none of these)$/);
  await expect(nones.first()).toBeVisible();
  for (const one of so) await sheet.getByLabel(one).check();
  for (const none of await nones.all()) {
    const group = none.locator("xpath=ancestor::fieldset[1]");
    if ((await group.locator("input[type=checkbox]:checked").count()) === 0) await none.check();
  }
  await sheet.getByRole("button", { name: "Keep the answers" }).click();
  await expect(sheet).toBeHidden();
}

/** One tap confirms the last answers. */
export async function confirmAnswers(page: Page) {
  await page.getByRole("button", { name: /^As on .*, nothing changed$/ }).click();
  await expect(page.getByText(/^Answered today/)).toBeVisible();
}

/**
 * What axe finds on a page, or in a part of it, a line each; empty where nothing is wrong. What is under way is ended before it
 * looks (a colour fading into that of another theme is neither), and what it finds must be there twice: a clock may turn from
 * amber to red while it looks, and it then holds one colour's ink against the other's ground. (No frames here, so axe may run
 * in one piece.)
 */
export async function axeFinds(page: Page, within?: string): Promise<string[]> {
  const look = async () => {
    await page.evaluate(() => {
      for (const animation of document.getAnimations()) if (animation.effect?.getComputedTiming().endTime !== Infinity) animation.finish();
    });
    const axe = new AxeBuilder({ page }).setLegacyMode();
    const { violations } = await (within ? axe.include(within) : axe).analyze();
    return violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map((node) => `${node.target.join(" ")} ${node.failureSummary?.split("\n")[1]?.trim() ?? ""}`)
          .join("; ")}`,
    );
  };
  return (await look()).length > 0 ? await look() : [];
}

export async function database<T>(work: (db: pg.Client) => Promise<T>): Promise<T> {
  const db = new pg.Client({ connectionString: databases.owner });
  await db.connect();
  try {
    return await work(db);
  } finally {
    await db.end();
  }
}

/** Seconds shown by a clock such as "14:37" or "+0:12" (negative). */
export function seconds(text: string): number {
  const over = text.startsWith("+");
  const value = text
    .replace("+", "")
    .split(":")
    .reduce((sum, part) => sum * 60 + Number(part), 0);
  return over ? -value : value;
}

export const zone = (page: Page, side: "right" | "left", number: number) => page.locator(`[data-zone="${side}-${number}"]`);
export const zoneText = async (page: Page, side: "right" | "left", number: number) =>
  (await zone(page, side, number).getAttribute("aria-valuetext"))!;
