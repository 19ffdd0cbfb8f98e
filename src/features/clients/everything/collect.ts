import "server-only";
import { eq, inArray, sql, type SQL } from "drizzle-orm";
import { client, NAMES_A_CLIENT, picture } from "@/db/schema";
import type { StudioTransaction } from "@/server/inStudio";

export type Row = Readonly<Record<string, unknown>>;
/** Everything that is kept about a client: their own words, and the rows of every table that names them or what is theirs. */
export type Everything = {
  readonly client: Row;
  /** Entries that were merged into theirs, with their own words. */
  readonly mergedFrom: readonly Row[];
  readonly tables: Readonly<Record<string, readonly Row[]>>;
  readonly pictures: readonly { readonly id: string; readonly jpeg: Buffer; readonly name: string }[];
};

/** Columns of the studio's bookkeeping that say nothing of anybody; a picture is a file of its own. */
const LEFT_OUT = ["studio_id", "folded_name", "searched", "jpeg", "import_id", "state"];

/** What hangs on a table that names the client: by which column of it, and of the other. */
const HANGS_ON: Readonly<Record<string, { readonly of: string; readonly by: string }>> = {
  visit_event: { of: "visit", by: "visit_id" },
  visit_outcome: { of: "visit", by: "visit_id" },
  visit_lot: { of: "visit", by: "visit_id" },
  incident: { of: "visit", by: "visit_id" },
  lash_map_revision: { of: "lash_map", by: "map_id" },
  map_note: { of: "lash_map", by: "map_id" },
  patch_reading: { of: "patch_test", by: "test_id" },
  reaction_lifting: { of: "patch_reading", by: "reading_id" },
};

/** Everything about a client, or null where there is none of that id, or nobody behind it any more. */
export async function collectEverything(tx: StudioTransaction, id: string): Promise<Everything | null> {
  const [person] = await tx.select({ gone: client.gone }).from(client).where(eq(client.id, id));
  if (!person || person.gone !== null) return null;
  const whole = await rowsOf(
    tx,
    sql`select c.* from studio.client c where c.id in (with recursive w as (select ${id}::uuid as id union select m.id from studio.client m join w on m.merged_into = w.id) select id from w)`,
  );
  const ids = whole.map((row) => String(row.id));
  const tables: Record<string, readonly Row[]> = {};
  for (const table of NAMES_A_CLIENT)
    tables[table] = await rowsOf(
      tx,
      sql`select t.* from ${sql.raw(`studio.${table}`)} t where t.client_id in ${ids} order by t.created_at, 2`,
    );
  for (const [table, { of, by }] of Object.entries(HANGS_ON)) {
    const owners = tables[of]!.map((row) => String(row.id));
    tables[table] =
      owners.length === 0
        ? []
        : await rowsOf(
            tx,
            sql`select t.* from ${sql.raw(`studio.${table}`)} t where t.${sql.raw(by)} in ${owners} order by t.${sql.raw(by)}, 2`,
          );
  }
  const pictures = await tx
    .select({ id: picture.id, jpeg: picture.jpeg, side: picture.side, kind: picture.kind, createdAt: picture.createdAt })
    .from(picture)
    .where(inArray(picture.clientId, ids));
  return {
    client: whole.find((row) => row.id === id)!,
    mergedFrom: whole.filter((row) => row.id !== id),
    tables,
    pictures: pictures.map(({ id: own, jpeg, side, kind, createdAt }) => ({
      id: own,
      jpeg,
      name: `pictures/${createdAt.toISOString().slice(0, 10)}-${side}-${kind}-${own.slice(0, 8)}.jpg`,
    })),
  };
}

async function rowsOf(tx: StudioTransaction, query: SQL): Promise<Row[]> {
  const { rows } = await tx.execute<{ row: Row }>(
    sql`select to_jsonb(r) - ${sql.param(`{${LEFT_OUT.join(",")}}`)}::text[] as row from (${query}) r`,
  );
  return rows.map(({ row }) => row);
}
