import { execFileSync } from "node:child_process";
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import path from "node:path";
import { pathToFileURL } from "node:url";
import { loadDemo, migrate, startApp, startHygrometer } from "./lib/app.mjs";
import { claim } from "./lib/claim.mjs";
import { ensureDebian } from "./lib/packages.mjs";
import { removePostgres, startPostgres } from "./lib/postgres.mjs";
import { ensureBuild, ensurePackages, root, secretsOf, stateFolder } from "./lib/project.mjs";
import { stop, stopOnSignals } from "./lib/run.mjs";
import { CHROMIUM } from "./lib/chromium.mjs";

// npm run shots               remakes docs/screenshots/ from the demo data
// npm run shots -- map chair  only those
// npm run shots -- eyes       six looks on eight shapes in three views and both themes: in .ivy/eyes, to be looked at, never kept
// To look without keeping: IVY_SHOTS=folder puts them elsewhere, IVY_SHOTS_SIZE=360x740 and IVY_SHOTS_THEME=lamp change all.

const folder = path.resolve(root, process.env.IVY_SHOTS ?? "docs/screenshots");
const only = process.argv.slice(2);
const size = process.env.IVY_SHOTS_SIZE?.split("x").map(Number);
const stops = [];
stopOnSignals(stops);
let failed = false;
/** Nothing more was asked for. */
const DONE = Symbol("done");

/** The eyes by themselves, without the app. */
async function takeEyes() {
  const pages = path.join(stateFolder, "eyes");
  execFileSync(process.execPath, ["--import", "tsx", "scripts/lib/eyesSheet.ts", pages], { cwd: root, stdio: "inherit" });
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch(CHROMIUM);
  stops.push(() => browser.close());
  const page = await browser.newPage();
  for (const svg of readdirSync(pages).filter((name) => name.endsWith(".svg"))) {
    const [, width, height] = /width="(\d+)" height="(\d+)"/.exec(readFileSync(path.join(pages, svg), "utf8"));
    await page.setViewportSize({ width: Number(width), height: Number(height) });
    await page.goto(pathToFileURL(path.join(pages, svg)).href);
    const file = path.join(pages, svg.replace(".svg", ".png"));
    await page.screenshot({ path: file });
    console.log(path.relative(root, file));
  }
}

try {
  await claim(stateFolder, "shots");
  ensureDebian(["postgresql", "chromium", "poppler-utils"]);
  ensurePackages();
  if (only.includes("eyes")) await takeEyes();
  if (only.length && only.every((name) => name === "eyes")) throw DONE;
  ensureBuild();
  mkdirSync(folder, { recursive: true });
  removePostgres(stateFolder, "shots");
  rmSync(path.join(stateFolder, "shots.app.json"), { force: true });
  const postgres = await startPostgres(stateFolder, { name: "shots", durable: false });
  stops.push(() => postgres.destroy());
  const secrets = secretsOf("shots");
  migrate(postgres);
  loadDemo(postgres, secrets);
  const app = await startApp(postgres, secrets);
  stops.push(() => app.stop());
  // The hygrometers act a late morning; what was loaded ends at midnight.
  const now = new Date();
  const keptH = String(Math.min(11, now.getHours() + now.getMinutes() / 60));
  for (const [i, [key, token]] of Object.entries(secrets.tokens).entries()) {
    const hygrometer = startHygrometer(app.url, token, {
      IVY_EVERY_S: "5",
      IVY_KEPT_H: keptH,
      IVY_HOUR: "11.2",
      IVY_SEED: String(i + 1),
      IVY_SCENARIO: key === "sill" ? "old" : "day",
    });
    stops.push(() => stop(hygrometer));
  }
  const { chromium } = await import("@playwright/test");
  const browser = await chromium.launch({ ...CHROMIUM, args: [...CHROMIUM.args, "--font-render-hinting=none"] });
  stops.push(() => browser.close());
  const { shots } = await import("./lib/shots.mjs");
  for (const { name, who = "maren", theme = "paper", width = 1280, height = 800, take } of shots) {
    if (only.length && !only.includes(name)) continue;
    const context = await browser.newContext({
      baseURL: app.url,
      viewport: { width: size?.[0] ?? width, height: size?.[1] ?? height },
      reducedMotion: "reduce",
      acceptDownloads: true,
    });
    await context.addCookies([{ name: "ivy-theme", value: process.env.IVY_SHOTS_THEME ?? theme, url: app.url }]);
    const page = await context.newPage();
    page.on("pageerror", (error) => console.error(`${name}: ${error.stack ?? error.message}`));
    page.on("console", (message) => message.type() === "error" && console.error(`${name}: ${message.text()}`));
    if (who) {
      const answer = await context.request.post("/api/auth/sign-in/email", {
        headers: { origin: app.url },
        data: { email: `${who}@tideroom.example`, password: secrets.password },
      });
      if (!answer.ok()) throw new Error(`${who} could not sign in: ${answer.status()}`);
    }
    const pdf = await take(page).catch(async (error) => {
      await page.screenshot({ path: path.join(stateFolder, `failed-${name}.png`) });
      throw error;
    });
    const file = path.join(folder, `${name}.png`);
    if (pdf) {
      const paper = path.join(stateFolder, `${name}.pdf`);
      writeFileSync(paper, pdf);
      execFileSync("pdftoppm", ["-png", "-r", "110", "-singlefile", paper, file.replace(/\.png$/, "")]);
    } else await page.screenshot({ path: file });
    console.log(path.relative(root, file));
    await context.close();
  }
} catch (error) {
  failed = error !== DONE;
  if (failed) console.error(`\n${error instanceof Error ? error.message : error}`);
} finally {
  for (const end of stops.reverse()) await end();
}
process.exit(failed ? 1 : 0);
