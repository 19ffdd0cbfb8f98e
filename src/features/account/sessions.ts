import "server-only";
import { and, desc, eq, gt, sql } from "drizzle-orm";
import { session } from "@/db/schema";
import { authDatabase } from "@/server/pools";
import { deviceWords } from "./deviceWords";

export type SignedInOn = {
  readonly id: string;
  readonly isThis: boolean;
  readonly device: string;
  readonly address: string | null;
  readonly since: Date;
};

/** Where somebody is signed in now, this sign-in first. */
export async function sessionsOf(userId: string, thisId: string): Promise<SignedInOn[]> {
  const rows = await authDatabase()
    .select({ id: session.id, userAgent: session.userAgent, address: session.ipAddress, since: session.createdAt })
    .from(session)
    .where(and(eq(session.userId, userId), gt(session.expiresAt, sql`now()`)))
    .orderBy(desc(session.createdAt));
  return rows
    .map(({ userAgent, ...row }) => ({
      ...row,
      isThis: row.id === thisId,
      device: deviceWords(userAgent ?? ""),
      address: row.address || null,
    }))
    .sort((a, b) => Number(b.isThis) - Number(a.isThis));
}
