import { databaseForCommand } from "./lib/demoDatabase.mjs";
import { ensurePackages, runTs } from "./lib/project.mjs";

// npm run migrate                          brings the demo's database up to date (the demo does so itself)
// IVY_OWNER_URL=postgres://… npm run migrate   another

ensurePackages();
const database = await databaseForCommand();
try {
  runTs("src/db/migrate.cli.ts", { IVY_OWNER_URL: database.ownerUrl });
} finally {
  database.stop();
}
