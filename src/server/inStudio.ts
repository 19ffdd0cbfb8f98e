import "server-only";
import { sql } from "drizzle-orm";
import { appDatabase } from "./pools";
import { isQueryError, QueryFailed } from "./withoutWords";

/** Whose studio, and who is asking. */
export type StudioScope = { readonly studioId: string; readonly id: string };
export type StudioTransaction = Parameters<Parameters<ReturnType<typeof appDatabase>["transaction"]>[0]>[0];

/**
 * The only way to a query: one transaction in which row-level security lets through the rows of this studio, and of it
 * only what this member may do. A query that fails is thrown without its parameters.
 */
export async function inStudio<T>(scope: StudioScope, work: (tx: StudioTransaction) => Promise<T>): Promise<T> {
  try {
    return await appDatabase().transaction(async (tx) => {
      // Not waited for: the first query goes with it, behind it. Were it to fail, so would every query after it. Asked by `then`,
      // once and at once: a query is sent anew by each `then`, and by a promise around it only after the others.
      const scoped = tx
        .execute(sql`select set_config('ivy.studio_id', ${scope.studioId}, true), set_config('ivy.member_id', ${scope.id}, true)`)
        .then(() => undefined);
      scoped.catch(() => undefined);
      const result = await work(tx);
      await scoped;
      return result;
    });
  } catch (error) {
    throw isQueryError(error) ? new QueryFailed(error) : error;
  }
}

/**
 * Reads that do not wait for one another, in one journey to the database. Unlike Promise.all it waits for all of them before
 * it says that one failed: none may still be asking when its transaction has ended. `const [rooms, chairs] = await together([…])`
 */
export async function together<T extends readonly unknown[] | []>(reads: T): Promise<{ -readonly [K in keyof T]: Awaited<T[K]> }> {
  const results = await Promise.allSettled(reads);
  for (const result of results) if (result.status === "rejected") throw result.reason;
  return results.map((result) => (result as PromiseFulfilledResult<unknown>).value) as { -readonly [K in keyof T]: Awaited<T[K]> };
}
