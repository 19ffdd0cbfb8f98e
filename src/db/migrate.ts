import { drizzle } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import path from "node:path";
import pg from "pg";
import { rebuildOutcomes } from "./outcomes/rebuild";

/** Brings the database up to date, as the owner of the schemas, and what visits came to with it. */
export async function migrateDatabase(ownerUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    await migrate(drizzle(client, { casing: "snake_case" }), {
      migrationsFolder: path.join(process.cwd(), "src/db/migrations"),
      migrationsSchema: "migrations",
    });
  } finally {
    await client.end();
  }
  await rebuildOutcomes(ownerUrl, { onlyBehind: true });
}
