import { spawn } from "node:child_process";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import path from "node:path";
import { CHROMIUM } from "../scripts/lib/chromium.mjs";
import { median, printTable } from "./measure";

// A run's clock behind another tab, in a Chromium that slows hidden pages down as it does for everyone. The browser tests'
// driver keeps every page in sight and its timers quick; so this one is driven by the browser's own protocol, with no flag
// that changes how hidden pages are treated. How far the shown time is from true time, and how late each alarm comes.
// IVY_BENCH_MINUTES: how long (31 by default: past the browser's harder slowing after five minutes, and past the leaflet).

const { IVY_BENCH_URL: base, IVY_BENCH_PASSWORD: password } = process.env;
if (!base || !password) throw new Error("IVY_BENCH_URL and IVY_BENCH_PASSWORD are needed.");
const MINUTES = Number(process.env.IVY_BENCH_MINUTES ?? 31);
const PORT = 9000 + (process.pid % 900);
const MOST_S = 900;

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));
const profile = mkdtempSync(path.join(tmpdir(), "ivy-background-"));
const browser = spawn(
  CHROMIUM.executablePath,
  [
    "--headless=new",
    "--no-sandbox",
    "--disable-gpu",
    "--no-first-run",
    `--remote-debugging-port=${PORT}`,
    `--user-data-dir=${profile}`,
    "about:blank",
  ],
  { stdio: "ignore" },
);

type Tab = { id: string; webSocketDebuggerUrl: string };
const devtools = (path: string, method = "GET") => fetch(`http://127.0.0.1:${PORT}/json/${path}`, { method });
const newTab = async () => (await (await devtools("new?about:blank", "PUT")).json()) as Tab;

/** Runs a script in a tab, and gives what it comes to. */
async function scripted({ webSocketDebuggerUrl }: Tab) {
  const socket = new WebSocket(webSocketDebuggerUrl);
  await new Promise((open) => socket.addEventListener("open", open));
  let last = 0;
  const waiting = new Map<
    number,
    (result: { result?: { value?: unknown }; exceptionDetails?: { exception?: { description?: string } } }) => void
  >();
  socket.addEventListener("message", ({ data }) => {
    const { id, result } = JSON.parse(String(data));
    waiting.get(id)?.(result);
  });
  const send = (method: string, params: object) =>
    new Promise<{ result?: { value?: unknown }; exceptionDetails?: { exception?: { description?: string } } }>((answer) => {
      waiting.set(++last, answer);
      socket.send(JSON.stringify({ id: last, method, params }));
    });
  const run = async <T>(script: string): Promise<T> => {
    const { result, exceptionDetails } = await send("Runtime.evaluate", {
      expression: `(async () => { ${script} })()`,
      awaitPromise: true,
      returnByValue: true,
    });
    if (exceptionDetails) throw new Error(exceptionDetails.exception?.description ?? "The page's script failed.");
    return result?.value as T;
  };
  const until = async (condition: string) => {
    for (let i = 0; i < 120; i++) {
      if (await run<boolean>(`return Boolean(${condition})`).catch(() => false)) return;
      await wait(250);
    }
    throw new Error(`Never came: ${condition}`);
  };
  return { run, until, goTo: (url: string) => send("Page.navigate", { url }) };
}

type Said = { words: string; atMs: number; hidden: boolean };

try {
  for (let i = 0; i < 80 && !(await devtools("version").catch(() => null)); i++) await wait(250);
  const behind = await newTab();
  const page = await scripted(behind);
  const json = (body: object) =>
    `{ method: "POST", headers: { "content-type": "application/json" }, body: ${JSON.stringify(JSON.stringify(body))} }`;
  await page.goTo(`${base}/sign-in`);
  await page.until(`location.pathname === "/sign-in" && document.readyState === "complete"`);
  const signedIn = await page.run<number>(
    `return (await fetch("/api/auth/sign-in/email", ${json({ email: "jossa@tideroom.example", password })})).status`,
  );
  if (signedIn !== 200) throw new Error(`Sign-in answered ${signedIn}.`);
  await page.goTo(`${base}/colour`);
  const link = `[...document.querySelectorAll("main a")].find((a) => /Ysolde/.test(a.textContent))`;
  await page.until(link);
  await page.goTo(base + (await page.run<string>(`return ${link}.getAttribute("href")`)));
  const button = `[...document.querySelectorAll("button")].find((b) => b.textContent === "Go by this plan" && !b.disabled)`;
  await page.until(`${button} && document.readyState === "complete"`);
  await wait(2000);
  await page.run(`${button}.click()`);
  await page.until(`document.querySelector('[data-testid="run-now"]')`);
  await page.run(`
    localStorage.setItem("ivy-alarm", "speech");
    window.said = [];
    speechSynthesis.speak = (utterance) => void window.said.push({ words: utterance.text, atMs: Date.now(), hidden: document.hidden });
  `);
  const visitId = await page.run<string>(`return location.pathname.split("/").pop()`);
  const plannedS = await page.run<number>(`
    const { visits } = await (await fetch("/api/visits/running")).json();
    return visits.find(({ id }) => id === "${visitId}").events.find(({ type }) => type === "runPlanned").payload.plan.seconds.lighten;
  `);
  const coatedAtMs = Date.now();
  const coat = {
    id: crypto.randomUUID(),
    visitId,
    at: new Date(coatedAtMs).toISOString(),
    clock: "checked",
    type: "coated",
    payload: { stepId: "lighten", area: "browRight" },
  };
  await page.run(`await fetch("/api/visits/events", ${json({ events: [coat] })})`);
  await page.until(`/lightener/.test(document.querySelector('[data-testid="run-now"]').textContent)`);

  await devtools(`activate/${(await newTab()).id}`);
  await wait(2000);
  const hidden = await page.run<boolean>("return document.hidden");
  if (!hidden) throw new Error("The page is still in sight: this would measure nothing.");

  const errors: number[] = [];
  while (Date.now() < coatedAtMs + MINUTES * 60_000) {
    await wait(20_000);
    const { text, nowMs } = await page.run<{ text: string; nowMs: number }>(
      `return { text: document.querySelector('[data-testid="run-now"]').textContent, nowMs: Date.now() }`,
    );
    const match = /(\+?)(\d+):(\d\d)/.exec(text);
    if (!match) throw new Error(`No clock is shown: ${text}`);
    const shown = (Number(match[2]) * 60 + Number(match[3])) * (match[1] ? -1 : 1);
    const lain = (nowMs - coatedAtMs) / 1000;
    // The figure shown is the second it is in.
    errors.push(Math.abs(shown - Math.ceil(lain > MOST_S ? MOST_S - lain : plannedS - lain)));
  }
  const said = await page.run<Said[]>("return window.said");
  const after = (words: string, dueS: number) =>
    said.filter((one) => one.words.includes(words)).map(({ atMs }) => (atMs - coatedAtMs) / 1000 - dueS);
  const late = [...after("twenty seconds", plannedS - 20), ...after("time is up", plannedS)];
  const past = after("past the leaflet", MOST_S);
  const gaps = past.slice(1).map((at, i) => at - past[i]!);
  const line = (what: string, ours: string, yardstick: string) => ({ what, ours, yardstick, ratio: "" });
  const none = "not in this run";
  printTable(`A run's clock, ${MINUTES} minutes behind another tab`, [
    line(
      "shown time off true time, s",
      `median ${median(errors)}, worst ${Math.max(...errors)} of ${errors.length}`,
      "whole seconds are shown",
    ),
    line("warning, end: late by, s", late.map((s) => s.toFixed(2)).join(", ") || none, "0"),
    line("first alarm past the leaflet: late by, s", past[0]?.toFixed(2) ?? none, "0"),
    line(
      "between alarms past it, s",
      gaps.length ? `median ${median(gaps).toFixed(1)}, longest ${Math.max(...gaps).toFixed(1)}` : none,
      "10",
    ),
    line("alarms that came while hidden", String(said.filter((one) => one.hidden).length), String(said.length)),
  ]);
} finally {
  browser.kill();
  await wait(500);
  rmSync(profile, { recursive: true, force: true });
}
