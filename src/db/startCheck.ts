import pg from "pg";
import journal from "./migrations/meta/_journal.json";

const ROLES = { IVY_APP_URL: "ivy_app", IVY_AUTH_URL: "ivy_auth", IVY_DEVICE_URL: "ivy_device" } as const;
const PATIENCE_MS = 10_000;

/** What of an error a line may tell: never the address it was asked by, which holds a password. */
const kindOf = (error: unknown): string => {
  const code = typeof error === "object" && error !== null && "code" in error ? String(error.code) : "";
  const words: Readonly<Record<string, string>> = {
    ECONNREFUSED: "nothing answers at that address",
    ENOTFOUND: "there is no such host",
    "28P01": "the password is not right",
    "3D000": "there is no such database",
    "28000": "this role may not come in",
  };
  return words[code] ?? (code || "it did not answer");
};

/**
 * What stands against starting on these databases, a line each; nothing where all is well. The app's roles must reach it, may
 * see past no row, and its migrations must be as many as this app knows.
 */
export async function startProblems(env: Readonly<Record<keyof typeof ROLES, string>>): Promise<string[]> {
  const problems: string[] = [];
  for (const [setting, role] of Object.entries(ROLES) as [keyof typeof ROLES, string][]) {
    const client = new pg.Client({ connectionString: env[setting], connectionTimeoutMillis: PATIENCE_MS });
    client.on("error", () => undefined);
    try {
      await client.connect();
      const { rows } = await client.query<{ name: string; over: boolean }>(
        "select current_user as name, rolsuper or rolbypassrls or rolcreaterole or rolcreatedb as over from pg_roles where rolname = current_user",
      );
      if (rows[0]?.over)
        problems.push(
          `${setting}: ${rows[0].name} may see past the rules of the rows. It must be a role like ${role}, that owns and passes nothing.`,
        );
      if (setting === "IVY_AUTH_URL") problems.push(...(await behind(client)));
    } catch (error) {
      problems.push(`${setting}: the database cannot be asked (${kindOf(error)}).`);
    } finally {
      await client.end().catch(() => undefined);
    }
  }
  return problems;
}

const MIGRATE = "Bring it up to date: IVY_OWNER_URL=… npm run migrate.";

/** Whether the database is older or newer than this app. */
async function behind(client: pg.Client): Promise<string[]> {
  const wanted = journal.entries.length;
  try {
    const { rows } = await client.query<{ migrations: number }>("select migrations from auth.readiness()");
    const done = rows[0]?.migrations ?? 0;
    if (done > wanted) return [`The database is newer than this app (${done} migrations, it knows ${wanted}). Start the newer app.`];
    return done < wanted ? [`The database is older than this app (${done} of ${wanted} migrations). ${MIGRATE}`] : [];
  } catch {
    return [`The database is older than this app, or empty. ${MIGRATE}`];
  }
}
