import { startPostgres } from "./lib/postgres.mjs";
import { ensurePackages, runTs, stateFolder } from "./lib/project.mjs";

// npm run recover -- --email someone@studio.example                      a one-time link for a locked-out owner, in the demo's database
// npm run recover -- --email someone@studio.example --second-factor-off  and without the second factor, for a lost phone
// IVY_OWNER_URL=postgres://… IVY_BASE_URL=https://… npm run recover -- …  in another

ensurePackages();
const given = process.env.IVY_OWNER_URL;
const at = process.argv.indexOf("--email");
const email = at > 0 ? process.argv[at + 1] : "";
if (!email) {
  console.error("Whose? npm run recover -- --email someone@studio.example");
  process.exit(1);
}
const postgres = given ? null : await startPostgres(stateFolder, { name: "demo" });
try {
  runTs("src/db/recover.cli.ts", {
    IVY_OWNER_URL: given ?? postgres.urls.owner,
    IVY_RECOVER_EMAIL: email,
    IVY_RECOVER_FACTOR_OFF: process.argv.includes("--second-factor-off") ? "yes" : "",
  });
} catch {
  process.exitCode = 1;
} finally {
  await postgres?.stop();
}
