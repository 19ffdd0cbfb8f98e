import { gzipSync } from "node:zlib";
import { chromium, request, type APIRequestContext } from "@playwright/test";
import pg from "pg";
import { median, ms, percentile, printTable, ratioOf } from "./measure";
import { CHROMIUM } from "../scripts/lib/chromium.mjs";

/** Asked of the built app that scripts/bench.mjs started, as the owner of a studio with 2,000 clients and 40,000 visits. */
const { IVY_BENCH_URL: url, IVY_BENCH_PASSWORD: password, IVY_BENCH_OWNER: ownerUrl } = process.env;
if (!url || !password || !ownerUrl) throw new Error("Run `npm run bench`: it starts what this needs.");

const db = new pg.Client({ connectionString: ownerUrl });
await db.connect();
const one = async (sql: string) => Object.values((await db.query(sql)).rows[0])[0] as string;
const client = await one(
  "select client_id from studio.visit v join studio.client c on c.studio_id = v.studio_id and c.id = v.client_id where c.name like 'Bench client%' limit 1",
);
const map = await one(`select id from studio.lash_map where client_id = '${client}' limit 1`);
const visit = await one(`select id from studio.visit where client_id = '${client}' limit 1`);
const clients = Number(await one("select count(*) from studio.client"));
const visits = Number(await one("select count(*) from studio.visit"));
const events = Number(await one("select count(*) from studio.visit_event"));
const colourVisit = await one("select id from studio.visit where service = 'liftTint' order by starts_at desc limit 1");
await db.end();

const api = await request.newContext({ baseURL: url, extraHTTPHeaders: { origin: url } });
const signedIn = await api.post("/api/auth/sign-in/email", { data: { email: "maren@tideroom.example", password } });
if (!signedIn.ok()) throw new Error(`Sign-in answered ${signedIn.status()}.`);

const ROUTES = [
  ["today", "/"],
  ["clients", "/clients"],
  ["clients, searched", "/clients?find=mar"],
  ["clients who are due", "/clients?show=due"],
  ["client", `/clients/${client}`],
  ["survey", `/clients/${client}/survey`],
  ["map", `/clients/${client}/map/${map}`],
  ["visit", `/visits/${visit}`],
  ["colour", "/colour"],
  ["lift, planned", `/visits/${colourVisit}`],
  ["air", "/air"],
  ["shelf", "/shelf"],
  ["retention", "/retention"],
  ["studio", "/studio"],
] as const;

const QUIET_MS = 1500;
/** Script a browser with an empty cache takes in before the page is quiet, gzipped, kB. */
async function firstLoadKb(path: string): Promise<number> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const context = await browser.newContext({ storageState: path === "/sign-in" ? undefined : await api.storageState() });
    const page = await context.newPage();
    const bodies: Promise<Buffer>[] = [];
    let lastMs = 0;
    page.on("response", (response) => {
      if (response.request().resourceType() !== "script") return;
      bodies.push(response.body());
      lastMs = performance.now();
    });
    await page.goto(url + path, { waitUntil: "load" });
    // The live stream stays open, so the network is never idle: quiet is when no more script comes.
    while (performance.now() - lastMs < QUIET_MS) await page.waitForTimeout(100);
    return (await Promise.all(bodies)).reduce((sum, body) => sum + gzipSync(body).length, 0) / 1024;
  } finally {
    await browser.close();
  }
}

async function answerTime(context: APIRequestContext, path: string): Promise<number> {
  const begun = performance.now();
  const answer = await context.get(path);
  await answer.body();
  if (!answer.ok()) throw new Error(`${path} answered ${answer.status()}.`);
  return performance.now() - begun;
}

/** From when a browser has all that fills counted until what holds stands on the page, ms. */
async function reckonedMs(): Promise<number> {
  const browser = await chromium.launch(CHROMIUM);
  try {
    const page = await (await browser.newContext({ storageState: await api.storageState() })).newPage();
    await page.goto(`${url}/retention`);
    const answered = page.waitForResponse((response) => response.url().endsWith("/api/retention"));
    await page.getByRole("button", { name: /^Look at/ }).click();
    await (await answered).finished();
    const begun = performance.now();
    await page.getByRole("region", { name: "In words" }).waitFor({ timeout: 120_000 });
    return performance.now() - begun;
  } finally {
    await browser.close();
  }
}

const ROUNDS = 60;
const WARM_UP = 15;
/** Medians of a page and of the bare one, asked in turn: a machine that is busy for a while is so for both; and the page's 95th percentile. */
async function besideTheBare(path: string): Promise<{ took: number; slow: number; bare: number }> {
  const times: { took: number; bare: number }[] = [];
  for (let i = 0; i < ROUNDS + WARM_UP; i++)
    times.push({ bare: await answerTime(bareContext, "/sign-in"), took: await answerTime(api, path) });
  const counted = times.slice(WARM_UP);
  const tooks = counted.map(({ took }) => took);
  return { took: median(tooks), slow: percentile(tooks, 0.95), bare: median(counted.map(({ bare }) => bare)) };
}

const sizes: Awaited<ReturnType<typeof row>>[] = [];
async function row(what: string, path: string) {
  // Two workspaces draw and reckon a great deal.
  const budget = what === "map" || what === "lift, planned" ? 250 : 200;
  const kb = await firstLoadKb(path);
  return { what, ours: `${kb.toFixed(1)} kB`, yardstick: `budget ${budget} kB`, ratio: ratioOf(kb, budget), over: kb > budget };
}
for (const [what, path] of [["sign-in", "/sign-in"], ...ROUTES]) sizes.push(await row(what!, path!));
printTable("Script at first load, gzipped, against its budget", sizes);

const bareContext = await request.newContext({ baseURL: url });
const rendered = [];
for (const [what, path] of ROUTES) {
  const { took, slow, bare } = await besideTheBare(path);
  rendered.push({ what, ours: `${ms(took)} (95th percentile ${ms(slow)})`, yardstick: ms(bare), ratio: ratioOf(took, bare) });
}
// Everything there is to learn from, as the worker fetches it when the studio is looked at.
const asked = performance.now();
const { fills } = (await (await api.get("/api/retention")).json()) as { fills: readonly unknown[] };
const fetched = performance.now() - asked;
printTable(
  `Server render with ${clients.toLocaleString("en")} clients, ${visits.toLocaleString("en")} visits, ${events.toLocaleString("en")} events, against a bare page (sign-in) of the same server`,
  rendered,
);
const { bare } = await besideTheBare("/sign-in");
const FIT_MS = 5000;
const reckoned = await reckonedMs();
printTable(`What ${fills.length.toLocaleString("en")} fills counted`, [
  { what: "read for the studio's retention, beside a bare page", ours: ms(fetched), yardstick: ms(bare), ratio: ratioOf(fetched, bare) },
  { what: "reckoned in the page's worker and shown", ours: ms(reckoned), yardstick: ms(FIT_MS), ratio: ratioOf(reckoned, FIT_MS) },
]);
await api.dispose();
await bareContext.dispose();
if (sizes.some(({ over }) => over)) {
  console.error("A route is over its budget.");
  process.exitCode = 1;
}
