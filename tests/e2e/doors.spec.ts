import { request } from "@playwright/test";
import sharp from "sharp";
import { database, expect, openClient, stateOf, test, url } from "./support";

// What is sent to the running app by mistake or with ill will: answered in words, never by an error of the server.

const one = (sql: string) => database(async (db) => Object.values((await db.query(sql)).rows[0] as object)[0] as string);

test("addresses that nobody would type are answered like any other", async () => {
  const api = await request.newContext({ baseURL: url, storageState: stateOf("maren") });
  const room = await one("select id from studio.room limit 1");
  const client = await one("select id from studio.client limit 1");
  const far = ["0000-01-01", "0001-01-01", "1899-12-31", "9999-12-31", "2200-01-01", "%00", "constructor"];
  const status = async (path: string) => (await api.get(path, { maxRedirects: 0 })).status();
  const asked: [string, number[]][] = [
    ...["%00", "%F0%9F%A6%8A", "%25%5F", "'%22%3B--", "a".repeat(5000), "%ED%A0%80"].map((find): [string, number[]] => [
      `/clients?find=${find}`,
      [200],
    ]),
    ...["constructor", "__proto__", "toString", "hasOwnProperty", "valueOf", "%00"].map((id): [string, number[]] => [
      `/colour/protocols/${id}`,
      [404],
    ]),
    ...["constructor", "__proto__", "toString"].map((id): [string, number[]] => [`/studio/steps/${id}`, [404]]),
    ...far.map((day): [string, number[]] => [`/?day=${day}`, [200]]),
    ...far.map((day): [string, number[]] => [`/api/rooms/${room}/history?span=week&day=${day}`, [400]]),
    ...far.map((day): [string, number[]] => [`/studio/audit?from=${day}&to=${day}&who=${day}&what=${day}&page=${day}`, [200]]),
    ...far.map((day): [string, number[]] => [`/air?room=${day}&sheet=${day}`, [404]]),
    ...["%00", "..%2F..%2Fetc", "constructor", "1", `${client}%00`].flatMap((id): [string, number[]][] => [
      [`/clients/${id}`, [404]],
      [`/clients/${id}/edit`, [404]],
      [`/clients/${id}/survey`, [404]],
      [`/clients/${client}/map/${id}`, [404]],
      [`/visits/${id}`, [404]],
      [`/link/${id}`, [200]],
      [`/api/maps/${id}/map.json`, [404]],
      [`/api/pictures/${id}`, [404]],
    ]),
  ];
  for (const [path, right] of asked) expect([path, right.includes(await status(path))]).toEqual([path, true]);
  console.log(`Addresses tried: ${asked.length}.`);
  await api.dispose();
});

test("a picture of 12 MB is taken, one of 15 too, and one over 16 is refused in words", async () => {
  test.setTimeout(120_000);
  const api = await request.newContext({ baseURL: url, storageState: stateOf("maren"), extraHTTPHeaders: { origin: url } });
  const client = await one("select id from studio.client where name like 'Rosalind%'");
  // Noise does not let itself be packed: as many bytes as there are colours.
  const noise = (side: number) => {
    const raw = Buffer.alloc(side * side * 3);
    for (let i = 0, state = 1; i < raw.length; i++) raw[i] = (state = (state * 1103515245 + 12345) & 0x7fffffff) >> 16;
    return sharp(raw, { raw: { width: side, height: side, channels: 3 } })
      .png({ compressionLevel: 0 })
      .toBuffer();
  };
  const send = async (bytes: Buffer) =>
    api.post(`/api/clients/${client}/pictures?kind=open&side=right`, { data: bytes, headers: { "content-type": "image/png" } });
  for (const [side, least, most] of [
    [2000, 11.5e6, 12.5e6],
    [2250, 14.5e6, 15.9e6],
  ] as const) {
    const bytes = await noise(side);
    expect(bytes.length).toBeGreaterThan(least);
    expect(bytes.length).toBeLessThan(most);
    const answer = await send(bytes);
    expect([side, answer.status(), (await answer.json()).message ?? ""]).toEqual([side, expect.any(Number), ""]);
    expect(answer.ok()).toBe(true);
  }
  const large = await send(await noise(2450));
  expect([large.status(), (await large.json()).message]).toEqual([
    413,
    "A picture of up to 16 MB is taken. Make it smaller and send it again.",
  ]);
  await database((db) =>
    db
      .query("delete from studio.picture where client_id = $1 and taken_at > now() - interval '5 minutes'", [client])
      .catch(() => undefined),
  );
  await api.dispose();
});

test("a map file of 300 kB is taken, one of 500 kB is refused in its own words", async ({ page }) => {
  await openClient(page, /Bronagh/);
  await page
    .getByRole("link", { name: /cat, M/ })
    .first()
    .click();
  await page.waitForURL(/\/map\//);
  const mapId = page.url().split("/").pop()!;
  const text = await (await page.request.get(`/api/maps/${mapId}/map.json`)).text();
  const files = page.getByLabel("A map file to import");
  await page.getByText("Import and export").click();
  await files.setInputFiles({
    name: "wide.json",
    mimeType: "application/json",
    buffer: Buffer.from(text.replace("{", `{${" ".repeat(500_000)}"made": 1,`)),
  });
  await expect(page.getByText("Nothing was taken from this file.")).toBeVisible();
  await files.setInputFiles({ name: "wide.json", mimeType: "application/json", buffer: Buffer.from(`${" ".repeat(300_000)}${text}`) });
  await expect(page).not.toHaveURL(new RegExp(mapId));
  await expect(page.getByLabel("Title of the map")).toHaveValue(/cat, M/);
});
