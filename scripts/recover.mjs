import { databaseForCommand } from "./lib/demoDatabase.mjs";
import { ensurePackages, runTs } from "./lib/project.mjs";

// npm run recover -- --email someone@studio.example                      a one-time link for who is locked out, in the demo's database
// npm run recover -- --email someone@studio.example --second-factor-off  and without the second factor, for a lost phone
// IVY_OWNER_URL=postgres://… IVY_BASE_URL=https://… npm run recover -- …  in another

const at = process.argv.indexOf("--email");
const email = at > 0 ? process.argv[at + 1] : "";
if (!email) {
  console.error("Whose? npm run recover -- --email someone@studio.example");
  process.exit(1);
}
ensurePackages();
const database = await databaseForCommand();
try {
  runTs("src/db/recover.cli.ts", {
    IVY_OWNER_URL: database.ownerUrl,
    IVY_RECOVER_EMAIL: email,
    IVY_RECOVER_FACTOR_OFF: process.argv.includes("--second-factor-off") ? "yes" : "",
    ...(database.appUrl ? { IVY_BASE_URL: database.appUrl } : {}),
  });
} catch {
  // It has said why.
  process.exitCode = 1;
} finally {
  database.stop();
}
