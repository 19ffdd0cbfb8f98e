import "server-only";
import { APIError, createAuthMiddleware, getSessionFromCtx } from "better-auth/api";
import { eq, sql } from "drizzle-orm";
import { user } from "@/db/schema";
import { addressOf, networkOf } from "./address";
import { noteSignIn } from "./audit";
import {
  allowancesFor,
  countGuess,
  DEVICE_COOKIE,
  DEVICE_COOKIE_S,
  deviceCookieWith,
  isFirstUse,
  knownDevice,
  takeGuessBack,
  type Allowance,
} from "./guesses";
import { authDatabase } from "./pools";

const PASSWORD = "/sign-in/email";
const CODES: readonly string[] = ["/two-factor/verify-totp", "/two-factor/verify-backup-code"];
const SIGN_OUT = "/sign-out";

type Ctx = Parameters<Parameters<typeof createAuthMiddleware>[0]>[0];
type Person = { readonly id: string; readonly email: string };

const mailOf = (ctx: Ctx) => {
  const email: unknown = ctx.body?.email;
  return typeof email === "string" ? email.trim().toLowerCase().slice(0, 200) : "";
};
const addressIn = (ctx: Ctx) => (ctx.headers ? addressOf(ctx.headers) : null);

async function personBy(where: ReturnType<typeof eq>): Promise<Person | null> {
  const [row] = await authDatabase().select({ id: user.id, email: user.email }).from(user).where(where);
  return row ?? null;
}

/** Whose password was right a moment ago, and whose second factor is asked now; null where somebody is signed in already. */
async function whoseCode(ctx: Ctx): Promise<Person | null> {
  if (await getSessionFromCtx(ctx)) return null;
  const awaited = await ctx.getSignedCookie(ctx.context.createAuthCookie("two_factor").name, ctx.context.secret);
  const known = awaited ? await ctx.context.internalAdapter.findVerificationValue(awaited) : null;
  return known ? personBy(eq(user.id, known.value)) : null;
}

function guessed(ctx: Ctx, what: "password" | "code", email: string): Allowance[] {
  const device = knownDevice(ctx.getCookie(DEVICE_COOKIE), email);
  return allowancesFor({ what, whose: email, network: networkOf(addressIn(ctx)), device });
}

const tooMany = () => new APIError("TOO_MANY_REQUESTS", { message: "Too many tries. Wait a quarter of an hour." });

/** What is under way between the two hooks of one request. */
const tries = new WeakMap<Headers, { readonly person: Person | null; readonly allowances: readonly Allowance[] }>();

/** Before a password or a code is tried: the try is counted, and refused where there were too many. */
export const beforeSignIn = createAuthMiddleware(async (ctx) => {
  if (ctx.path === SIGN_OUT) {
    const session = await getSessionFromCtx(ctx).catch(() => null);
    if (session) await noteSignIn(session.user.id, "signedOut", null, addressIn(ctx));
    return;
  }
  if (ctx.path !== PASSWORD && !CODES.includes(ctx.path)) return;
  // A device is known again by its own cookie; there is none that lets somebody pass without their code.
  if (ctx.body?.trustDevice) throw new APIError("BAD_REQUEST", { message: "A code is asked at every sign-in." });
  const person = ctx.path === PASSWORD ? await personBy(eq(user.email, mailOf(ctx))) : await whoseCode(ctx);
  const email = ctx.path === PASSWORD ? mailOf(ctx) : person?.email;
  if (email === undefined) return;
  const allowances = guessed(ctx, ctx.path === PASSWORD ? "password" : "code", email);
  if (!(await countGuess(allowances))) throw tooMany();
  if (ctx.headers) tries.set(ctx.headers, { person, allowances });
});

/** After it was tried: what came of it is noted, and what was right is no guess. */
export const afterSignIn = createAuthMiddleware(async (ctx) => {
  if (ctx.path !== PASSWORD && !CODES.includes(ctx.path)) return;
  const tried = ctx.headers && tries.get(ctx.headers);
  if (!tried) return;
  const how = ctx.path === PASSWORD ? null : ctx.path === CODES[0] ? "second factor" : "recovery code";
  const { person, allowances } = tried;
  if (ctx.context.returned instanceof APIError) {
    if (person && ctx.context.returned.statusCode === 401) await noteSignIn(person.id, "signInFailed", how, addressIn(ctx));
    return;
  }
  await takeGuessBack(allowances);
  const isWhole = how !== null || !ctx.context.newSession?.user.twoFactorEnabled;
  if (!person || !isWhole) return;
  await noteSignIn(person.id, "signedIn", how, addressIn(ctx));
  ctx.setCookie(DEVICE_COOKIE, deviceCookieWith(ctx.getCookie(DEVICE_COOKIE), person.email), {
    ...ctx.context.authCookies.sessionToken.attributes,
    maxAge: DEVICE_COOKIE_S,
  });
});

/** Codes live half a minute, and the one before and after are taken too. */
const CODE_LIVES_MS = 3 * 30_000;

/** Before a session begins: who was deactivated gets none, and a code that let somebody in lets nobody in again (RFC 6238, 5.2). */
export async function beforeSession(userId: string, ctx: { readonly path?: string; readonly body?: unknown } | null): Promise<void> {
  const { rows } = await authDatabase().execute(sql`select 1 from auth.member_of(${userId})`);
  if (rows.length === 0) throw new APIError("FORBIDDEN", { message: "Deactivated.", code: "DEACTIVATED" });
  if (ctx?.path !== CODES[0]) return;
  const code = (ctx?.body as { readonly code?: unknown } | undefined)?.code;
  if (!(await isFirstUse(`code ${userId} ${String(code)}`, CODE_LIVES_MS)))
    throw new APIError("UNAUTHORIZED", { message: "This code was used already. Wait for the next.", code: "CODE_USED" });
}
