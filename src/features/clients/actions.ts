"use server";
import { eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { client } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { todayIn } from "@/server/studioTime";
import { listClients } from "./data";
import { clientFormSchema, newClientSchema, type ClientForm } from "./schema";

const GONE = "This client is not in the studio (any more).";

/** A form as it is kept: no date of birth is null, and one still to come is none. */
function columnsOf(timeZone: string, { bornOn, ...form }: ClientForm) {
  if (bornOn && (bornOn > todayIn(timeZone, new Date()) || bornOn < "1900-01-01"))
    throw new Refusal("That is no date of birth.", { bornOn: "Between 1900 and today." });
  return { ...form, bornOn: bornOn || null };
}

export const findClients = action({ input: z.strictObject({ search: z.string().max(120) }) }, async (me, { search }) => {
  const { clients } = await listClients(me, search.trim());
  return clients.slice(0, 8).map(({ id, name, mannequin }) => ({ id, name, mannequin }));
});

/** Adds a client, or a mannequin head. Sending the same id twice adds one. */
export const addClient = action({ input: z.strictObject({ id: z.uuid(), form: newClientSchema }) }, async (me, { id, form }) => {
  const { mannequin, ...words } = form;
  await inStudio(me, (tx) =>
    tx
      .insert(client)
      .values({ studioId: me.studioId, id, mannequin, ...columnsOf(me.timeZone, words) })
      .onConflictDoNothing(),
  );
  return { id };
});

export const changeClient = action(
  { input: z.strictObject({ id: z.uuid(), seenAt: z.iso.datetime(), form: clientFormSchema }) },
  async (me, { id, seenAt, form }) => {
    await inStudio(me, async (tx) => {
      const [row] = await tx.select().from(client).where(eq(client.id, id)).for("update");
      if (!row) throw new Refusal(GONE);
      if (row.updatedAt.getTime() !== Date.parse(seenAt))
        throw new Refusal("Someone changed this client while you were writing. Yours is still here; theirs now reads as below.", {
          name: `Theirs: ${row.name}`,
          contact: `Theirs: ${row.contact || "nothing"}`,
          notes: `Theirs: ${row.notes || "nothing"}`,
          bornOn: `Theirs: ${row.bornOn ?? "nothing"}`,
          seenAt: row.updatedAt.toISOString(),
        });
      await tx
        .update(client)
        .set({ ...columnsOf(me.timeZone, form), updatedAt: new Date() })
        .where(eq(client.id, id));
    });
    return { id };
  },
);

export const putClientAway = action(
  { input: z.strictObject({ id: z.uuid(), away: z.boolean() }), least: "technician" },
  async (me, { id, away }) => {
    const rows = await inStudio(me, (tx) =>
      tx
        .update(client)
        .set({ archivedAt: away ? new Date() : null })
        .where(eq(client.id, id))
        .returning({ id: client.id }),
    );
    if (rows.length === 0) throw new Refusal(GONE);
    refresh();
    return { id };
  },
);
