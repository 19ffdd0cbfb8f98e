import "server-only";
import { randomUUID } from "node:crypto";
import { betterAuth } from "better-auth";
import { drizzleAdapter } from "better-auth/adapters/drizzle";
import { nextCookies } from "better-auth/next-js";
import { twoFactor } from "better-auth/plugins";
import * as authTables from "@/db/schema/auth";
import { env } from "./env";
import { log } from "./log";
import { ownOrigins } from "./origin";
import { LONGEST_PASSWORD, SHORTEST_PASSWORD } from "./passwords";
import { authDatabase } from "./pools";
import { afterSignIn, beforeSession, beforeSignIn } from "./signInHooks";
import { withoutWords } from "./withoutWords";

/** A sign-in lasts a working day. */
const WORKING_DAY_S = 12 * 60 * 60;

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
    emailAndPassword: { enabled: true, disableSignUp: true, minPasswordLength: SHORTEST_PASSWORD, maxPasswordLength: LONGEST_PASSWORD },
    user: { additionalFields: { studioId: { type: "string", required: true, input: false } } },
    session: { expiresIn: WORKING_DAY_S, disableSessionRefresh: true },
    // Wrong guesses are counted in guesses.ts; this only keeps one address from keeping the server busy.
    rateLimit: {
      enabled: true,
      storage: "database",
      window: 60,
      max: 120,
      customRules: { "/sign-in/email": { window: 60, max: 60 }, "/two-factor/*": { window: 60, max: 60 } },
    },
    hooks: { before: beforeSignIn, after: afterSignIn },
    databaseHooks: { session: { create: { before: ({ userId }, ctx) => beforeSession(userId, ctx) } } },
    plugins: [
      // How often a code may be guessed is counted with the rest, by who guesses.
      twoFactor({ issuer: "Ivy Thread", accountLockout: { enabled: false } }),
      // Last: the session that a change of the second factor renews reaches the browser from a server action too.
      nextCookies(),
    ],
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
/** Sign-in by e-mail and password, and a second factor where one is set up; sessions live in PostgreSQL and end on sign-out. */
export function auth(): ReturnType<typeof make> {
  return (made ??= make());
}
