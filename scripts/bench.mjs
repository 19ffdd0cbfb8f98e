import { rmSync } from "node:fs";
import path from "node:path";
import { loadDemo, migrate, startApp } from "./lib/app.mjs";
import { claim } from "./lib/claim.mjs";
import { ensureDebian } from "./lib/packages.mjs";
import { removePostgres, startPostgres } from "./lib/postgres.mjs";
import { ensureBuild, ensurePackages, runTs, secretsOf, stateFolder } from "./lib/project.mjs";
import { stopOnSignals } from "./lib/run.mjs";

// npm run bench            everything, each figure as a ratio to a yardstick of the same run
// npm run bench -- planner one part of it: planner | plans | air | retention | drawing | dragging | sliding | taps | pages | readings | soak | kills
// npm run bench -- background half an hour behind another tab; not part of everything

const only = process.argv[2];
const wanted = (part) => !only || only === part;
const stops = [];
stopOnSignals(stops);
let failed = false;

try {
  await claim(stateFolder, "bench");
  ensureDebian(["postgresql", "chromium"]);
  ensurePackages();
  if (wanted("planner")) runTs("bench/planner.ts", {});
  if (wanted("plans")) runTs("bench/plans.ts", {});
  if (wanted("air")) runTs("bench/air.ts", {});
  if (wanted("retention")) runTs("bench/retention.ts", {});
  if (wanted("kills")) {
    ensureBuild();
    secretsOf("bench");
    runTs("bench/kills.ts", { IVY_BENCH_STATE: stateFolder });
  }
  if (
    wanted("pages") ||
    wanted("drawing") ||
    wanted("dragging") ||
    wanted("sliding") ||
    wanted("taps") ||
    wanted("readings") ||
    wanted("soak") ||
    only === "background"
  ) {
    ensureBuild();
    removePostgres(stateFolder, "bench");
    rmSync(path.join(stateFolder, "bench.app.json"), { force: true });
    const postgres = await startPostgres(stateFolder, { name: "bench", durable: false });
    stops.push(() => postgres.destroy());
    const secrets = secretsOf("bench");
    migrate(postgres);
    loadDemo(postgres, secrets);
    if (wanted("pages")) runTs("bench/loadMany.ts", { IVY_BENCH_OWNER: postgres.urls.owner });
    const heapFile = path.join(stateFolder, "bench.heap.log");
    const app = await startApp(postgres, secrets, wanted("soak") ? { env: { IVY_LOG: "debug" }, logFile: heapFile } : {});
    stops.push(() => app.stop());
    const asked = { IVY_BENCH_URL: app.url, IVY_BENCH_PASSWORD: secrets.password, IVY_BENCH_OWNER: postgres.urls.owner };
    if (wanted("drawing")) runTs("bench/drawing.ts", asked);
    if (wanted("dragging")) runTs("bench/dragging.ts", asked);
    if (wanted("sliding")) runTs("bench/sliding.ts", asked);
    if (wanted("taps")) runTs("bench/taps.ts", asked);
    if (wanted("pages")) runTs("bench/pages.ts", asked);
    if (wanted("readings")) runTs("bench/readings.ts", asked);
    // Node 20 keeps its WebSocket behind a flag.
    if (only === "background") runTs("bench/background.ts", { ...asked, NODE_OPTIONS: "--experimental-websocket" });
    if (wanted("soak")) runTs("bench/soak.ts", { ...asked, IVY_BENCH_HEAP: heapFile });
  }
} catch (error) {
  failed = true;
  console.error(`\n${error instanceof Error ? error.message : error}`);
} finally {
  for (const end of stops.reverse()) await end();
}
process.exit(failed ? 1 : 0);
