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
      await tx.execute(sql`select set_config('ivy.studio_id', ${scope.studioId}, true), set_config('ivy.member_id', ${scope.id}, true)`);
      return work(tx);
    });
  } catch (error) {
    throw isQueryError(error) ? new QueryFailed(error) : error;
  }
}
