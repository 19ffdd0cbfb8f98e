import { databaseForCommand } from "./lib/demoDatabase.mjs";
import { ensurePackages, runTs } from "./lib/project.mjs";

// npm run rebuild                          what visits came to, made anew from their events, in the demo's database
// IVY_OWNER_URL=postgres://… npm run rebuild   in another

ensurePackages();
const database = await databaseForCommand();
try {
  runTs("src/db/rebuild.cli.ts", { IVY_OWNER_URL: database.ownerUrl });
} finally {
  database.stop();
}
