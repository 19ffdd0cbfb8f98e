import "server-only";
import { createHash, createHmac, randomBytes, randomUUID, timingSafeEqual } from "node:crypto";
import { sql } from "drizzle-orm";
import { env } from "./env";
import { authDatabase } from "./pools";

/** How often something may be guessed wrong in a quarter of an hour, counted together by its key. */
export type Allowance = { readonly key: string; readonly most: number };

const WINDOW_MS = 15 * 60 * 1000;
const FORGOTTEN_MS = 24 * 60 * 60 * 1000;

const hashed = (key: string) => `guess:${createHash("sha256").update(key).digest("hex")}`;

/**
 * Counts a guess before it is tried, so that many at once are no more than many in turn. Asked in order: once one allowance
 * is used up it is refused, and those after it are not touched. False where it is refused.
 */
export async function countGuess(allowances: readonly Allowance[]): Promise<boolean> {
  for (const { key, most } of allowances) {
    const now = Date.now();
    const { rows } = await authDatabase().execute<{ count: number }>(sql`
      insert into auth.rate_limit as r (id, key, count, last_request) values (${randomUUID()}, ${hashed(key)}, 1, ${now})
      on conflict (key) do update set
        count = case when r.last_request < ${now - WINDOW_MS} then 1 else r.count + 1 end,
        last_request = case when r.last_request < ${now - WINDOW_MS} then ${now} else r.last_request end
      returning count`);
    const count = rows[0]?.count ?? 0;
    if (count === 1) await authDatabase().execute(sql`delete from auth.rate_limit where last_request < ${now - FORGOTTEN_MS}`);
    if (count > most) return false;
  }
  return true;
}

/** It was no guess: they knew it. */
export async function takeGuessBack(allowances: readonly Allowance[]): Promise<void> {
  for (const { key } of allowances)
    await authDatabase().execute(sql`update auth.rate_limit set count = greatest(count - 1, 0) where key = ${hashed(key)}`);
}

/** Whether something that may be used once is used for the first time; remembered for so long. */
export async function isFirstUse(key: string, forMs: number): Promise<boolean> {
  const now = Date.now();
  const { rows } = await authDatabase().execute(sql`
    insert into auth.rate_limit as r (id, key, count, last_request) values (${randomUUID()}, ${hashed(key)}, 1, ${now})
    on conflict (key) do update set last_request = ${now} where r.last_request < ${now - forMs} returning 1`);
  return rows.length > 0;
}

/** Guesses at somebody's password, or at their second factor. */
export type Guessed = {
  readonly what: "password" | "code";
  readonly whose: string;
  readonly network: string;
  readonly device: string | null;
};

/** From one network at one person, from one at anybody, and at one person from all devices that they never signed in on. */
const MOST = {
  password: { pair: 10, network: 40, strangers: 60 },
  code: { pair: 6, network: 30, strangers: 12 },
} as const;

/**
 * What a guess counts against. Who guesses is slowed, not whom they guess at: a device on which somebody has signed in before
 * has an allowance of its own that no stranger can use up (device cookies, as OWASP's "Slow down online guessing attacks"
 * describes them, recalled from memory).
 */
export function allowancesFor({ what, whose, network, device }: Guessed): Allowance[] {
  const most = MOST[what];
  const who = `${what} ${whose}`;
  if (device) return [{ key: `${who} on ${device}`, most: most.pair }];
  return [
    { key: `${who} from ${network}`, most: most.pair },
    { key: `${what} from ${network}`, most: most.network },
    { key: `${who} by strangers`, most: most.strangers },
  ];
}

/** The cookie by which a device is known again: its own number, and a seal for each person who has signed in on it. */
export const DEVICE_COOKIE = "ivy_device";
export const DEVICE_COOKIE_S = 400 * 24 * 60 * 60;
const PEOPLE_OF_A_DEVICE = 12;

const sealOf = (device: string, email: string) =>
  createHmac("sha256", env().IVY_SECRET).update(`device ${device} ${email}`).digest("base64url").slice(0, 22);
const same = (a: string, b: string) => a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

const readCookie = (cookie: string | null | undefined) => {
  const [device = "", ...seals] = (cookie ?? "").split(".");
  return /^[\w-]{22}$/.test(device) ? { device, seals: seals.slice(0, PEOPLE_OF_A_DEVICE) } : null;
};

/** The device's number, where this person has signed in on it before. */
export function knownDevice(cookie: string | null | undefined, email: string): string | null {
  const read = readCookie(cookie);
  if (!read) return null;
  const seal = sealOf(read.device, email);
  return read.seals.some((one) => same(one, seal)) ? read.device : null;
}

/** The cookie once this person has signed in. */
export function deviceCookieWith(cookie: string | null | undefined, email: string): string {
  const { device, seals } = readCookie(cookie) ?? { device: randomBytes(16).toString("base64url"), seals: [] };
  const seal = sealOf(device, email);
  return [device, seal, ...seals.filter((one) => one !== seal)].slice(0, PEOPLE_OF_A_DEVICE + 1).join(".");
}
