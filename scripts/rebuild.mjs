import { startPostgres } from "./lib/postgres.mjs";
import { ensurePackages, runTs, stateFolder } from "./lib/project.mjs";

// npm run rebuild                          what visits came to, made anew from their events, in the demo's database
// IVY_OWNER_URL=postgres://… npm run rebuild   in another

ensurePackages();
const given = process.env.IVY_OWNER_URL;
const postgres = given ? null : await startPostgres(stateFolder, { name: "demo" });
try {
  runTs("src/db/rebuild.cli.ts", { IVY_OWNER_URL: given ?? postgres.urls.owner });
} finally {
  await postgres?.stop();
}
