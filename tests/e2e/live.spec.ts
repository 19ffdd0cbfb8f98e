import { startApp } from "../../scripts/lib/app.mjs";
import { database, databases, expect, secrets, signedOut, signIn, stateOf, test, url } from "./support";

test.setTimeout(180_000);

// Two copies of the app on one database: the test's own beside the one that every test uses.
let copy: Awaited<ReturnType<typeof startApp>>;
test.beforeAll(async () => {
  copy = await startApp({ urls: databases }, secrets);
});
test.afterAll(() => copy.stop());

const send = (base: string, token: string, relativeHumidity: number) =>
  fetch(`${base}/api/intake/readings`, {
    method: "POST",
    headers: { authorization: `Bearer ${token}`, "content-type": "application/json" },
    body: JSON.stringify({ readings: [{ takenAt: new Date().toISOString(), temperatureC: 23.4, relativeHumidity }] }),
  });

test("a reading handed to one copy shows on an open screen of the other, and of itself, without being asked for", async ({ browser }) => {
  const first = await (await browser.newContext({ baseURL: url, storageState: stateOf("maren") })).newPage();
  const secondContext = await browser.newContext({ baseURL: copy.url, storageState: signedOut });
  const second = await secondContext.newPage();
  await signIn(second, "jossa@tideroom.example", secrets.password);
  await second.waitForURL(`${copy.url}/`);
  const { roomId } = await database(async (db) => {
    const { rows } = await db.query<{ id: string }>("select id from studio.room where name = 'Back room'");
    return { roomId: rows[0]!.id };
  });
  for (const page of [first, second]) {
    await page.goto(`/air?room=${roomId}`);
    await expect(page.getByRole("heading", { name: /air|read/i }).first()).toBeVisible();
  }
  for (const [through, rh] of [
    [url, 0.337],
    [copy.url, 0.283],
  ] as const) {
    expect((await send(through, secrets.tokens.back, rh)).status).toBe(200);
    for (const page of [first, second]) await expect(page.getByTestId("air-Humidity")).toHaveText(`${Math.round(rh * 100)} %`);
  }

  // Killed and started again: the screen takes up the line by itself and catches up with what it missed.
  process.kill(copy.child.pid!, "SIGKILL");
  await expect(second.getByTestId("air-now")).toContainText("line down");
  expect((await send(url, secrets.tokens.back, 0.318)).status).toBe(200);
  copy = await startApp({ urls: databases }, secrets, { port: copy.port });
  await expect(second.getByTestId("air-Humidity")).toHaveText("32 %");
  await expect(second.getByTestId("air-now")).not.toContainText("line down");
  await first.context().close();
  await secondContext.close();
});

test("three tabs of one browser share one stream", async ({ browser }) => {
  const context = await browser.newContext({ baseURL: url, storageState: stateOf("maren") });
  let streams = 0;
  context.on("request", (request) => {
    if (request.url().endsWith("/api/live")) streams += 1;
  });
  const pages = [await context.newPage(), await context.newPage(), await context.newPage()];
  for (const page of pages) {
    await page.goto("/air");
    await expect(page.getByTestId("air-now")).toContainText("%");
  }
  // The shared worker's own request is seen once or, as a worker's, not at all; a stream a tab would be seen three times.
  expect(streams).toBeLessThan(2);
  await context.close();
});

test("two hundred open screens on two copies all hear of one reading", async ({ playwright }) => {
  const jar = async (base: string) => {
    const api = await playwright.request.newContext({ baseURL: base, extraHTTPHeaders: { origin: base } });
    await api.post("/api/auth/sign-in/email", { data: { email: "maren@tideroom.example", password: secrets.password } });
    const { cookies } = await api.storageState();
    await api.dispose();
    return cookies.map(({ name, value }) => `${name}=${value}`).join("; ");
  };
  const stop = new AbortController();
  const wanted = 0.6321;
  const screens = await Promise.all(
    [url, copy.url].map(async (base) => {
      const cookie = await jar(base);
      return Promise.all(
        Array.from({ length: 100 }, async () => {
          const response = await fetch(`${base}/api/live`, { headers: { cookie }, signal: stop.signal });
          expect(response.status).toBe(200);
          return hears(response, String(wanted));
        }),
      );
    }),
  );
  const all = screens.flat();
  expect(all).toHaveLength(200);
  await Promise.all(all.map(({ ready }) => ready));
  expect((await send(copy.url, secrets.tokens.back, wanted)).status).toBe(200);
  await Promise.all(all.map(({ heard }) => heard));
  stop.abort();
});

/** A stream that is ready once it has said what is now, and has heard once it says `words`. */
function hears(response: Response, words: string): { ready: Promise<void>; heard: Promise<void> } {
  let text = "";
  let isReady = (): void => undefined;
  let hasHeard = (): void => undefined;
  const ready = new Promise<void>((resolve) => (isReady = resolve));
  const heard = new Promise<void>((resolve) => (hasHeard = resolve));
  void (async () => {
    const decoder = new TextDecoder();
    try {
      for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) {
        text = (text + decoder.decode(chunk)).slice(-20_000);
        if (text.includes("event: air")) isReady();
        if (text.includes(words)) hasHeard();
      }
    } catch {
      // Hung up by the test.
    }
  })();
  return { ready, heard };
}
