import "server-only";
import { drizzle } from "drizzle-orm/node-postgres";
import pg from "pg";
import * as schema from "@/db/schema";
import { env } from "./env";
import { log } from "./log";
import { withoutWords } from "./withoutWords";

const make = (connectionString: string, max: number) => {
  // Pipelined: queries that do not wait for one another (Promise.all) go to the database in one journey.
  const pool = new pg.Pool({ connectionString, max, pipeline: true, allowExitOnIdle: true, connectionTimeoutMillis: 15_000 });
  // An idle connection that breaks (the database restarted) is replaced on next use; it must not end the app.
  pool.on("error", (error) => log.warn({ err: withoutWords(error) }, "database connection lost"));
  return drizzle(pool, { schema, casing: "snake_case" });
};

const once = <T>(create: () => T) => {
  let made: T | null = null;
  return () => (made ??= create());
};

/** Connections as the role that sees one studio at a time. Reached through inStudio() alone. */
export const appDatabase = once(() => make(env().IVY_APP_URL, 12));
/** Connections as the role that knows sign-in and nothing else. */
export const authDatabase = once(() => make(env().IVY_AUTH_URL, 6));
/** Connections as the role that may only hand in readings. */
export const deviceDatabase = once(() => make(env().IVY_DEVICE_URL, 4));
