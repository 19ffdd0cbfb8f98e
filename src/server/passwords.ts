import "server-only";
import { createHash, randomBytes } from "node:crypto";
import { hashPassword, verifyPassword } from "better-auth/crypto";
import { and, eq, gt, isNull, ne, sql } from "drizzle-orm";
import { account, passwordLink, session, user, type LinkKind } from "@/db/schema";
import { isRefusedAs } from "./databaseRefusal";
import { authDatabase } from "./pools";

export const SHORTEST_PASSWORD = 10;
export const LONGEST_PASSWORD = 200;
/** How long a link to set a password lives. */
export const LINK_HOURS = 72;

type AuthTransaction = Parameters<Parameters<ReturnType<typeof authDatabase>["transaction"]>[0]>[0];

const ofCredential = (userId: string) => and(eq(account.userId, userId), eq(account.providerId, "credential"));

/** Writes a password; every other sign-in of the person ends with it, and every link still open. */
async function write(tx: AuthTransaction, userId: string, hash: string, keptSessionId: string | null): Promise<void> {
  await tx.update(account).set({ password: hash, updatedAt: new Date() }).where(ofCredential(userId));
  await tx.delete(session).where(and(eq(session.userId, userId), keptSessionId ? ne(session.id, keptSessionId) : undefined));
  await tx.delete(passwordLink).where(and(eq(passwordLink.userId, userId), isNull(passwordLink.usedAt)));
}

/** Whether it is their password. */
export async function isPassword(userId: string, password: string): Promise<boolean> {
  const [row] = await authDatabase().select({ hash: account.password }).from(account).where(ofCredential(userId));
  return row?.hash ? verifyPassword({ hash: row.hash, password }) : false;
}

/** Their own change, in the session they are in, which goes on. */
export async function changePassword(userId: string, password: string, keptSessionId: string): Promise<void> {
  const hash = await hashPassword(password);
  await authDatabase().transaction((tx) => write(tx, userId, hash, keptSessionId));
}

/**
 * The address they sign in with from now on; false where somebody signs in with it already. Links still open end: they went to
 * the address before, and whoever reads that may be the reason for the change.
 */
export async function changeEmail(userId: string, email: string): Promise<boolean> {
  try {
    await authDatabase().transaction(async (tx) => {
      await tx.update(user).set({ email, updatedAt: new Date() }).where(eq(user.id, userId));
      await tx.delete(passwordLink).where(and(eq(passwordLink.userId, userId), isNull(passwordLink.usedAt)));
    });
    return true;
  } catch (error) {
    if (isRefusedAs("unique", error)) return false;
    throw error;
  }
}

/** A link's secret, and the hash of it that is kept. */
export function newLink(): { readonly token: string; readonly hash: string } {
  const token = randomBytes(32).toString("base64url");
  return { token, hash: linkHash(token) };
}
export const linkHash = (token: string): string => createHash("sha256").update(token).digest("hex");
export const linkPath = (token: string): string => `/link/${token}`;

export type OpenLink = {
  readonly userId: string;
  readonly kind: LinkKind;
  readonly email: string;
  readonly name: string;
  readonly studioName: string;
};

const stillOpen = (hash: string) => and(eq(passwordLink.hash, hash), isNull(passwordLink.usedAt), gt(passwordLink.expiresAt, sql`now()`));

/** For whom a link is, while it may be used; looking at it does not use it. */
export async function openLink(token: string): Promise<OpenLink | null> {
  const [row] = await authDatabase()
    .select({ userId: passwordLink.userId, kind: passwordLink.kind, email: user.email })
    .from(passwordLink)
    .innerJoin(user, eq(user.id, passwordLink.userId))
    .where(stillOpen(linkHash(token)));
  if (!row) return null;
  const { rows } = await authDatabase().execute<{ name: string; studio_name: string }>(
    sql`select name, studio_name from auth.member_of(${row.userId})`,
  );
  return rows[0] ? { ...row, name: rows[0].name, studioName: rows[0].studio_name } : null;
}

/** Sets a password by a link, which dies with it; null where it was used, replaced or has expired meanwhile. */
export async function useLink(token: string, password: string): Promise<OpenLink | null> {
  const link = await openLink(token);
  if (!link) return null;
  const hash = await hashPassword(password);
  return authDatabase().transaction(async (tx) => {
    const [used] = await tx
      .update(passwordLink)
      .set({ usedAt: new Date() })
      .where(stillOpen(linkHash(token)))
      .returning({ userId: passwordLink.userId });
    if (!used) return null;
    await write(tx, used.userId, hash, null);
    return link;
  });
}
