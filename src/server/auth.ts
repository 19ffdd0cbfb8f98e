import "server-only";
import { createHash, randomUUID } from "node:crypto";
import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { APIError, createAuthMiddleware } from "better-auth/api";
import { sql } from "drizzle-orm";
import * as authTables from "@/db/schema/auth";
import { env } from "./env";
import { log } from "./log";
import { ownOrigins } from "./origin";
import { withoutWords } from "./withoutWords";
import { authDatabase } from "./pools";

/** A sign-in lasts a working day. */
const WORKING_DAY_S = 12 * 60 * 60;

/** Guesses at one account in a quarter of an hour, wherever they come from: an address is easily feigned. */
const GUESSES = { max: 10, windowMs: 15 * 60 * 1000 };

/** Counts a guess at a password for an address, or for whatever else is guessed at; false once there were too many. */
export async function countGuess(email: string): Promise<boolean> {
  const key = `account:${createHash("sha256").update(email.trim().toLowerCase()).digest("hex")}`;
  const now = Date.now();
  const { rows } = await authDatabase().execute<{ count: number }>(sql`
    insert into auth.rate_limit (id, key, count, last_request) values (${randomUUID()}, ${key}, 1, ${now})
    on conflict (key) do update set
      count = case when auth.rate_limit.last_request < ${now - GUESSES.windowMs} then 1 else auth.rate_limit.count + 1 end,
      last_request = case when auth.rate_limit.last_request < ${now - GUESSES.windowMs} then ${now} else auth.rate_limit.last_request end
    returning count`);
  return (rows[0]?.count ?? 0) <= GUESSES.max;
}

const make = () => {
  const base = env().IVY_BASE_URL;
  return betterAuth({
    appName: "Ivy Thread",
    baseURL: base,
    trustedOrigins: ownOrigins(),
    secret: env().IVY_SECRET,
    telemetry: { enabled: false },
    onAPIError: { onError: (error) => log.warn({ err: withoutWords(error) }, "sign-in refused") },
    // What it would print carries addresses and hashes: of an error only its kind goes into the log.
    logger: {
      level: "warn",
      log: (level, _message, ...more) =>
        log[level === "error" ? "error" : "warn"]({ err: withoutWords(more.find((one) => one instanceof Error)) }, "sign-in"),
    },
    database: drizzleAdapter(authDatabase(), {
      provider: "pg",
      schema: { ...authTables },
    }),
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: 8, maxPasswordLength: 200 },
    user: { additionalFields: { studioId: { type: "string", required: true, input: false } } },
    session: { expiresIn: WORKING_DAY_S, disableSessionRefresh: true },
    rateLimit: {
      enabled: env().IVY_SIGN_IN_LIMIT === "on",
      storage: "database",
      window: 60,
      max: 100,
      customRules: { "/sign-in/email": { window: 60, max: 8 } },
    },
    hooks: {
      before: createAuthMiddleware(async (ctx) => {
        if (ctx.path !== "/sign-in/email" || env().IVY_SIGN_IN_LIMIT === "off") return;
        if (!(await countGuess(String(ctx.body?.email ?? ""))))
          throw new APIError("TOO_MANY_REQUESTS", { message: "Too many tries for this address. Wait a quarter of an hour." });
      }),
    },
    advanced: {
      // Joins: a session and its user in one query.
      database: { generateId: () => randomUUID(), joins: true },
      cookiePrefix: "ivy",
      defaultCookieAttributes: { sameSite: "lax", httpOnly: true, secure: base.startsWith("https:") },
      useSecureCookies: base.startsWith("https:"),
    },
  });
};

let made: ReturnType<typeof make> | null = null;
/** Sign-in by e-mail and password; sessions live in PostgreSQL and end on sign-out. */
export function auth(): ReturnType<typeof make> {
  return (made ??= make());
}
