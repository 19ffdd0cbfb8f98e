import "server-only";
import { drizzle } from "drizzle-orm/node-postgres";
import pg from "pg";
import * as schema from "@/db/schema";
import { env } from "./env";
import { log } from "./log";
import { withoutWords } from "./withoutWords";

/** How many texts of reads a connection remembers: lists of changing length are as many texts as lengths. */
const REMEMBERED = 200;

/** Names each read by its text, so that a connection parses and plans it once: of what a page asks, planning was the larger half. */
function rememberReads(client: pg.ClientBase): void {
  const names = new Map<string, string>();
  const named = (asked: unknown): unknown => {
    if (typeof asked !== "object" || asked === null || !("text" in asked) || typeof asked.text !== "string") return asked;
    if (!/^\s*select/i.test(asked.text)) return asked;
    const known = names.get(asked.text);
    if (!known && names.size >= REMEMBERED) return asked;
    const name = known ?? `read${names.size}`;
    names.set(asked.text, name);
    return { ...asked, name };
  };
  const ask = client.query.bind(client) as (...args: unknown[]) => unknown;
  client.query = ((asked: unknown, ...rest: unknown[]) => ask(named(asked), ...rest)) as typeof client.query;
}

const make = (connectionString: string, max: number) => {
  const pool = new pg.Pool({
    connectionString,
    max,
    // Pipelined: queries that do not wait for one another (Promise.all) go to the database in one journey.
    pipeline: true,
    // Joins are made in the order they are written: each query begins with the rows it is about.
    options: "-c join_collapse_limit=1",
    allowExitOnIdle: true,
    connectionTimeoutMillis: 15_000,
  });
  pool.on("connect", (client) => {
    rememberReads(client);
    // One that breaks while it is in use, between two queries, is told by the next of them; unheard, it would be an error of the app.
    client.on("error", (error: unknown) => log.warn({ err: withoutWords(error) }, "database connection lost in use"));
  });
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
