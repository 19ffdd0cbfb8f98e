import "server-only";
import { sql } from "drizzle-orm";
import { appDatabase } from "./pools";

/** Whose studio, and who is asking. */
export type StudioScope = { readonly studioId: string; readonly id: string };
export type StudioTransaction = Parameters<Parameters<ReturnType<typeof appDatabase>["transaction"]>[0]>[0];

/**
 * The only way to a query: one transaction in which row-level security lets through the rows of this studio, and of it
 * only what this member may do.
 */
export function inStudio<T>(scope: StudioScope, work: (tx: StudioTransaction) => Promise<T>): Promise<T> {
  return appDatabase().transaction(async (tx) => {
    await tx.execute(sql`select set_config('ivy.studio_id', ${scope.studioId}, true), set_config('ivy.member_id', ${scope.id}, true)`);
    return work(tx);
  });
}
