"use server";
import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { client, patchTest } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { mayActAs } from "@/server/member";
import { listClients } from "./data";
import { clientFormSchema, patchTestFormSchema } from "./schema";

const GONE = "This client is not in the studio (any more).";

export const findClients = action({ input: z.strictObject({ search: z.string().max(120) }) }, async (me, { search }) => {
  const { clients } = await listClients(me, search.trim());
  return clients.slice(0, 8).map(({ id, name }) => ({ id, name }));
});

export const addClient = action({ input: clientFormSchema }, async (me, form) => {
  const id = randomUUID();
  await inStudio(me, (tx) => tx.insert(client).values({ studioId: me.studioId, id, ...form }));
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
          seenAt: row.updatedAt.toISOString(),
        });
      await tx
        .update(client)
        .set({ ...form, updatedAt: new Date() })
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

export const addPatchTest = action({ input: patchTestFormSchema }, async (me, form) => {
  if (form.result === "reaction" && !mayActAs(me, "technician")) throw new Refusal("A reaction is written down by a technician.");
  await inStudio(me, async (tx) => {
    const [known] = await tx.select({ id: client.id }).from(client).where(eq(client.id, form.clientId));
    if (!known) throw new Refusal(GONE);
    const [same] = await tx
      .update(patchTest)
      .set({ result: form.result })
      .where(and(eq(patchTest.clientId, form.clientId), eq(patchTest.family, form.family), eq(patchTest.placedOn, form.placedOn)))
      .returning({ id: patchTest.id });
    if (!same) await tx.insert(patchTest).values({ studioId: me.studioId, id: randomUUID(), ...form });
  });
  refresh();
  return null;
});
