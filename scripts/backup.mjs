import { chmodSync, existsSync, renameSync, rmSync, statSync } from "node:fs";
import { databaseForCommand } from "./lib/demoDatabase.mjs";
import { dumpTo } from "./lib/dump.mjs";
import { ensurePackages } from "./lib/project.mjs";

// npm run backup -- FILE                        everything in the demo's database, while it runs or not
// IVY_OWNER_URL=postgres://… npm run backup -- FILE  in another

const file = process.argv[2];
if (!file || file.startsWith("-")) {
  console.error("Where to? npm run backup -- /somewhere/ivy-thread.dump");
  process.exit(1);
}
if (existsSync(file)) {
  console.error(`${file} is there already. A backup is written over nothing: name another.`);
  process.exit(1);
}
ensurePackages();
process.umask(0o077);
const database = await databaseForCommand();
const part = `${file}.part`;
try {
  // Whole or not there: what was cut off is never taken for a backup.
  dumpTo(database.ownerUrl, part);
  chmodSync(part, 0o600);
  renameSync(part, file);
  console.log(
    `${file}: ${(statSync(file).size / 1e6).toFixed(1)} MB. Health data: keep it locked away, and IVY_SECRET with it, which seals the second factors.`,
  );
} catch (error) {
  rmSync(part, { force: true });
  console.error(error.message);
  process.exitCode = 1;
} finally {
  database.stop();
}
