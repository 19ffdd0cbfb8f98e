"use server";
import { and, desc, eq, isNull, sql } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { client, clientImport, member, NAMES_A_CLIENT } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { formatIn } from "@/server/studioTime";

/** Files of clients that were read in, the newest first. */
export const clientImports = action({ input: z.strictObject({ most: z.int().min(1).max(100) }), least: "technician" }, (me, { most }) =>
  inStudio(me, async (tx) => {
    const rows = await tx
      .select({ row: clientImport, by: member.name })
      .from(clientImport)
      .leftJoin(member, and(eq(member.studioId, clientImport.studioId), eq(member.id, clientImport.byId)))
      .orderBy(desc(clientImport.createdAt))
      .limit(most);
    return rows.map(({ row, by }) => ({
      id: row.id,
      name: row.fileName,
      clients: row.clients,
      by: by ?? "",
      on: formatIn(me.timeZone, row.createdAt, "d MMM yyyy, HH:mm"),
      isTakenBack: row.takenBackAt !== null,
    }));
  }),
);

/** Who is named in no table was only read in. */

const isNamedNowhere = sql.join(
  NAMES_A_CLIENT.map(
    (table) =>
      sql`not exists (select 1 from ${sql.raw(`studio.${table}`)} t where t.studio_id = studio.client.studio_id and t.client_id = studio.client.id)`,
  ),
  sql` and `,
);

/** A file that was the wrong one, whole: who came by it is set aside, but for those somebody has written to or worked with since. */
export const takeClientsBack = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, async (me, { id }) => {
  const result = await inStudio(me, async (tx) => {
    const [file] = await tx
      .update(clientImport)
      .set({ takenBackAt: new Date() })
      .where(and(eq(clientImport.id, id), isNull(clientImport.takenBackAt)))
      .returning();
    if (!file) throw new Refusal("This file was taken back already, or is not in the studio.");
    // Held first: a booking that is being made is waited for, and one that comes after finds nobody.
    await tx.select({ id: client.id }).from(client).where(eq(client.importId, id)).orderBy(client.id).for("update");
    const gone = await tx
      .update(client)
      .set({ gone: "takenBack", archivedAt: sql`coalesce(${client.archivedAt}, now())` })
      .where(
        and(
          eq(client.importId, id),
          isNull(client.gone),
          eq(client.updatedAt, client.createdAt),
          isNamedNowhere,
          sql`not exists (select 1 from studio.client m where m.studio_id = studio.client.studio_id and m.merged_into = studio.client.id)`,
        ),
      )
      .returning({ id: client.id });
    const left = await tx
      .select({ name: client.name })
      .from(client)
      .where(and(eq(client.importId, id), isNull(client.gone)))
      .orderBy(client.name);
    return { gone: gone.length, left: left.map(({ name }) => name) };
  });
  refresh();
  return result;
});

/** Who came by a file that was taken back is there again. */
export const bringClientsBack = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, async (me, { id }) => {
  const back = await inStudio(me, async (tx) => {
    const [file] = await tx
      .update(clientImport)
      .set({ takenBackAt: null })
      .where(and(eq(clientImport.id, id), sql`taken_back_at is not null`))
      .returning();
    if (!file) throw new Refusal("This file was brought back already, or is not in the studio.");
    const rows = await tx
      .update(client)
      .set({ gone: null, archivedAt: null })
      .where(and(eq(client.importId, id), eq(client.gone, "takenBack")))
      .returning({ id: client.id });
    return rows.length;
  });
  refresh();
  return { back };
});
