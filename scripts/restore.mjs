import { existsSync, rmSync } from "node:fs";
import { databaseForCommand } from "./lib/demoDatabase.mjs";
import { dumpTo, isEmpty, restoreFrom, textOf } from "./lib/dump.mjs";
import { ensurePackages } from "./lib/project.mjs";

// IVY_OWNER_URL=postgres://… npm run restore -- FILE   into an empty database (npm run prepare-database makes one)

const file = process.argv[2];
const given = process.env.IVY_OWNER_URL;
if (!file || !existsSync(file) || !given) {
  console.error("From where, and into what? IVY_OWNER_URL=postgres://… npm run restore -- /somewhere/ivy-thread.dump");
  process.exit(1);
}
ensurePackages();
const { ownerUrl } = await databaseForCommand();
const again = `${file}.compared`;
try {
  if (!(await isEmpty(ownerUrl))) throw new Error("This database is not empty. A backup goes into an empty one: nothing is written over.");
  restoreFrom(ownerUrl, file);
  dumpTo(ownerUrl, again);
  if (textOf(ownerUrl, again) !== textOf(ownerUrl, file))
    throw new Error("What was restored is not what the backup holds. Do not use this database.");
  console.log("Restored, and compared with the backup: identical. Now npm run migrate, for an app newer than the backup.");
} catch (error) {
  console.error(error.message);
  process.exitCode = 1;
} finally {
  rmSync(again, { force: true });
}
