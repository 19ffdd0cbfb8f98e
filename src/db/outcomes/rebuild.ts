import { and, eq, isNull, ne, or, sql } from "drizzle-orm";
import { drizzle } from "drizzle-orm/node-postgres";
import pg from "pg";
import { STATE_VERSION } from "@/core/visit";
import { visit, visitOutcome } from "../schema";
import { writeOutcomes } from "./writeOutcomes";

const AT_ONCE = 200;

/**
 * Makes what visits came to anew from their events, as the owner of the tables, studio by studio; with `onlyBehind` just those
 * that have none, or one that is behind its events or of an older version. Returns how many it wrote.
 */
export async function rebuildOutcomes(ownerUrl: string, { onlyBehind = false } = {}): Promise<number> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  const db = drizzle(client, { casing: "snake_case" });
  try {
    const wanted = await db
      .select({ studioId: visit.studioId, id: visit.id })
      .from(visit)
      .leftJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
      .where(
        and(
          sql`${visit.lastSeq} > 0`,
          onlyBehind
            ? or(
                isNull(visitOutcome.visitId),
                ne(visitOutcome.throughSeq, visit.lastSeq),
                sql`${visitOutcome.state}->>'version' is distinct from ${String(STATE_VERSION)}`,
              )
            : undefined,
        ),
      )
      .orderBy(visit.studioId, visit.id);
    const counted: NonNullable<Parameters<typeof writeOutcomes>[3]> = new Map();
    for (let i = 0; i < wanted.length;) {
      const { studioId } = wanted[i]!;
      const batch = wanted.slice(i, i + AT_ONCE).filter((one) => one.studioId === studioId);
      await db.transaction((tx) =>
        writeOutcomes(
          tx,
          studioId,
          batch.map(({ id }) => id),
          counted,
        ),
      );
      i += batch.length;
    }
    return wanted.length;
  } finally {
    await client.end();
  }
}
