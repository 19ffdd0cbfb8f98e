import { rmSync } from "node:fs";
import path from "node:path";
import { loadDemo, migrate, startApp, startHygrometer } from "./lib/app.mjs";
import { claim } from "./lib/claim.mjs";
import { keepUp } from "./lib/keepUp.mjs";
import { childrenIn, endOrphans } from "./lib/orphans.mjs";
import { freePort } from "./lib/ports.mjs";
import { startMailGateway } from "./lib/mail.mjs";
import { removePostgres, startPostgres } from "./lib/postgres.mjs";
import { ensureBuild, ensurePackages, secretsOf, stateFolder } from "./lib/project.mjs";
import { stop, writeChildrenTo } from "./lib/run.mjs";

// npm run demo             starts Ivy Thread with its demo studio, keeping what is there
// npm run demo -- --fresh  begins again
// npm run demo -- --empty  starts with no studio, to create one's own

const fresh = process.argv.includes("--fresh");
const empty = process.argv.includes("--empty");
const name = empty ? "empty" : "demo";
const stops = [];
let stopping = false;

async function stopAll(code) {
  if (stopping) return;
  stopping = true;
  for (const end of stops.reverse()) await end();
  process.exit(code);
}
process.on("SIGINT", () => stopAll(0));
process.on("SIGTERM", () => stopAll(0));

try {
  const mine = await claim(stateFolder, name);
  const childrenFile = path.join(stateFolder, `${name}.children.json`);
  const orphans = await endOrphans(childrenFile);
  if (orphans) console.log(`The last start was cut off: ${orphans} ${orphans === 1 ? "process" : "processes"} it left behind ended.`);
  // Asked before anything takes its time.
  const port = await freePort(Number(process.env.PORT ?? 4100));
  ensurePackages();
  if (fresh) {
    removePostgres(stateFolder, name);
    rmSync(path.join(stateFolder, `${name}.app.json`), { force: true });
    rmSync(path.join(stateFolder, `${name}-mail`), { recursive: true, force: true });
  }
  const postgres = await startPostgres(stateFolder, { name });
  stops.push(async () => postgres.stop());
  const secrets = secretsOf(name);
  migrate(postgres);
  if (!empty) loadDemo(postgres, secrets);
  ensureBuild();

  writeChildrenTo(childrenIn(childrenFile));
  const mail = await startMailGateway(path.join(stateFolder, `${name}-mail`), { pagePort: port + 80 });
  stops.push(() => mail.stop());
  const kept = keepUp(() =>
    startApp(postgres, secrets, { port, logFolder: path.join(stateFolder, `${name}-log`), env: { IVY_MAIL_URL: mail.url } }),
  );
  stops.push(() => kept.stop());
  const app = await kept.first;
  kept.gaveUp.catch(fail);
  mine.tell({ url: app.url });

  if (!empty) {
    for (const [i, [key, token]] of Object.entries(secrets.tokens).entries()) {
      const scenario = key === "sill" ? "old" : (process.env.IVY_SCENARIO ?? "day");
      // As much as the day is old: what was loaded ends at midnight.
      const now = new Date();
      const keptH = String(now.getHours() + now.getMinutes() / 60);
      const hygrometer = startHygrometer(app.url, token, { IVY_KEPT_H: keptH, IVY_SCENARIO: scenario, IVY_SEED: String(i + 1) });
      stops.push(() => stop(hygrometer));
    }
    console.log(`
  Ivy Thread is at   ${app.url}

  sign in as         maren@tideroom.example   owner
                     jossa@tideroom.example   technician
                     pim@tideroom.example     trainee
  password           ${secrets.password}

  mail it sends      ${mail.page}   (a stand-in: nothing leaves this machine)

  What the app logs is kept in ${path.relative(process.cwd(), path.join(stateFolder, `${name}-log`))}; no name and no note of a client stands there.
  Three simulated hygrometers report every 10 s. Ctrl-C stops everything; the data stays.
`);
  } else
    console.log(
      `\n  Ivy Thread is at   ${app.url}   with no studio yet: the first page creates one.\n  Mail it sends is at ${mail.page}\n`,
    );
} catch (error) {
  await fail(error);
}

async function fail(error) {
  console.error(`\n${error instanceof Error ? error.message : error}\n`);
  await stopAll(1);
}
