import { randomBytes } from "node:crypto";
import { makeDatabase, makeRoles, ROLES } from "./lib/roles.mjs";
import { ensurePackages } from "./lib/project.mjs";

// IVY_ADMIN_URL=postgres://postgres:…@HOST:PORT/postgres npm run prepare-database -- [NAME]
// Makes the four roles with passwords of their own and an empty database, and prints the settings. Does nothing to what is there.

const admin = process.env.IVY_ADMIN_URL;
const database = process.argv[2] ?? "ivy";
if (!admin || !/^[a-z_][a-z0-9_]{0,62}$/.test(database)) {
  console.error("As whom? IVY_ADMIN_URL=postgres://postgres:…@HOST:PORT/postgres npm run prepare-database -- ivy");
  process.exit(1);
}
ensurePackages();
const { default: pg } = await import("pg");
const client = new pg.Client({ connectionString: admin });
try {
  await client.connect();
  const passwords = Object.fromEntries(ROLES.map((role) => [role, randomBytes(24).toString("base64url")]));
  const made = await makeRoles(client, passwords);
  const isNew = await makeDatabase(client, database);
  const { hostname, port } = new URL(admin);
  const url = (role) =>
    `postgres://${role}:${made.includes(role) ? passwords[role] : "THE-PASSWORD-IT-HAS"}@${hostname}:${port || 5432}/${database}`;
  console.log(`${isNew ? `The database ${database} is made.` : `The database ${database} was there.`} Settings, shown this once:\n
IVY_OWNER_URL=${url("ivy_owner")}
IVY_APP_URL=${url("ivy_app")}
IVY_AUTH_URL=${url("ivy_auth")}
IVY_DEVICE_URL=${url("ivy_device")}
IVY_SECRET=${randomBytes(33).toString("base64url")}
\nIVY_OWNER_URL is for migrating, backups and recovery alone; the app does without it.`);
} catch (error) {
  console.error(`The database did not do it: ${error.message}`);
  process.exitCode = 1;
} finally {
  await client.end().catch(() => undefined);
}
