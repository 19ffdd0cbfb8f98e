"use server";
import { and, asc, eq, gt, isNotNull, isNull, sql } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { fold } from "@/core/client";
import { writeOutcomes } from "@/db/outcomes/writeOutcomes";
import { client, clientApart, visit, visitOutcome } from "@/db/schema";
import { likelyDoubles } from "@/features/person/doubles";
import { NO_CLIENT } from "@/features/person/knownClient";
import { findClientsBy } from "@/features/person/search";
import { action, Refusal } from "@/server/action";
import { note } from "@/server/audit";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import { studioPolicy } from "@/server/studioPolicy";
import { formatIn, todayIn } from "@/server/studioTime";
import { clientFormSchema, newClientSchema, soFarSchema, type ClientForm } from "./schema";

/** A form as it is kept: no date of birth is null, and one still to come is none. */
function columnsOf(timeZone: string, { bornOn, ...form }: ClientForm) {
  if (bornOn && bornOn > todayIn(timeZone, new Date()))
    throw new Refusal("That is no date of birth.", { bornOn: "Between 1900 and today." });
  return { ...form, bornOn: bornOn || null };
}

const FOUND_AT_ONCE = 8;

export const findClients = action({ input: z.strictObject({ search: z.string().max(120) }) }, (me, { search }) =>
  inStudio(me, async (tx) => findClientsBy(tx, search, await studioPolicy(tx), FOUND_AT_ONCE)),
);

/** Whom an entry may be that is being written, or is there: told as it is typed, decided by nobody but who types. */
export const findDoubles = action({ input: soFarSchema }, (me, { ownId, ...typed }) =>
  inStudio(me, (tx) => likelyDoubles(tx, { ...typed, bornOn: typed.bornOn || null }, ownId)),
);

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

/** A client's row, held; refused where it was merged, erased or taken back since. */
async function heldClient(tx: StudioTransaction, id: string) {
  const [row] = await tx.select().from(client).where(eq(client.id, id)).for("update");
  if (!row || row.gone !== null) throw new Refusal(NO_CLIENT);
  return row;
}

export const changeClient = action(
  { input: z.strictObject({ id: z.uuid(), seenAt: z.iso.datetime(), form: clientFormSchema }) },
  async (me, { id, seenAt, form }) => {
    await inStudio(me, async (tx) => {
      const row = await heldClient(tx, id);
      if (row.updatedAt.getTime() !== Date.parse(seenAt))
        throw new Refusal("Someone changed this client while you were writing. Yours is still here; theirs now reads as below.", {
          name: `Theirs: ${row.name}`,
          phone: `Theirs: ${row.phone || "nothing"}`,
          email: `Theirs: ${row.email || "nothing"}`,
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

/** What is still booked for a client, the soonest first. */
const stillBooked = (tx: StudioTransaction, id: string) =>
  tx
    .select({ startsAt: visit.startsAt })
    .from(visit)
    .leftJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
    .where(
      and(
        eq(visit.clientId, id),
        isNull(visit.cancelledAt),
        isNull(visit.withdrawnAt),
        isNull(visitOutcome.begunAt),
        gt(visit.endsAt, new Date()),
      ),
    )
    .orderBy(asc(visit.startsAt));

/** Archives a client, or brings them back. Nothing is destroyed; what is booked stays booked, and is told. */
export const archiveClient = action(
  { input: z.strictObject({ id: z.uuid(), archived: z.boolean() }), least: "technician" },
  async (me, { id, archived }) => {
    const result = await inStudio(me, async (tx) => {
      const row = await heldClient(tx, id);
      await tx
        .update(client)
        .set({ archivedAt: archived ? (row.archivedAt ?? new Date()) : null })
        .where(eq(client.id, id));
      const [booked] = archived ? await stillBooked(tx, id) : [];
      return { name: row.name, booked: booked ? formatIn(me.timeZone, booked.startsAt, "d MMM, HH:mm") : null };
    });
    refresh();
    return result;
  },
);

/** Two entries are two people: they are not told as a likely double any more. */
export const notTheSame = action(
  { input: z.strictObject({ one: z.uuid(), other: z.uuid() }), least: "technician" },
  async (me, { one, other }) => {
    if (one === other) throw new Refusal("That is one entry.");
    await inStudio(me, async (tx) => {
      for (const id of [one, other].sort()) await heldClient(tx, id);
      const [oneId, otherId] = one < other ? [one, other] : [other, one];
      await tx.insert(clientApart).values({ studioId: me.studioId, oneId, otherId, byId: me.id }).onConflictDoNothing();
    });
    refresh();
    return null;
  },
);

const MERGE_REFUSED: Readonly<Record<string, string>> = {
  role: "This needs a technician's hand.",
  gone: "One of the two is not in the studio (any more).",
  mannequin: "A mannequin head and a client are not one.",
};

/** Makes two entries one, by the words chosen of both; everything of the other's becomes the kept one's. Twice does nothing. */
export const mergeClients = action(
  { input: z.strictObject({ id: z.uuid(), keepId: z.uuid(), goneId: z.uuid(), form: clientFormSchema }), least: "technician" },
  async (me, { id, keepId, goneId, form }) => {
    const words = columnsOf(me.timeZone, form);
    await inStudio(me, async (tx) => {
      const { rows } = await tx.execute<{ said: string }>(
        sql`select studio.merge_clients(${id}, ${keepId}, ${goneId}, ${JSON.stringify(words)}::jsonb) as said`,
      );
      const said = rows[0]?.said ?? "gone";
      if (said !== "") throw new Refusal(MERGE_REFUSED[said] ?? NO_CLIENT);
      await note(tx, me, "clientsMerged", { clientId: keepId, onceKey: `merged ${id}` });
    });
    return { id, keepId };
  },
);

/** Takes two apart again that were merged: what was the other's is theirs, what came since stays. */
export const undoMerge = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, async (me, { id }) => {
  await inStudio(me, async (tx) => {
    const { rows } = await tx.execute<{ said: string }>(sql`select studio.undo_merge(${id}) as said`);
    const said = rows[0]?.said ?? "gone";
    if (said === "gone") throw new Refusal("These two cannot be taken apart (any more): one of them is merged elsewhere, or erased.");
    if (said !== "") throw new Refusal(MERGE_REFUSED[said] ?? NO_CLIENT);
    await note(tx, me, "mergeUndone", { onceKey: `apart ${id}` });
  });
  refresh();
  return null;
});

/** Erases a client for good, by their name typed; what happened, and with which lots, stays, of nobody. */
export const eraseClient = action(
  { input: z.strictObject({ id: z.uuid(), name: z.string().max(200) }), least: "owner" },
  async (me, { id, name }) => {
    await inStudio(me, async (tx) => {
      const row = await heldClient(tx, id);
      if (row.mannequin) throw new Refusal("A mannequin head is nobody's record: archive it.");
      if (fold(name) !== fold(row.name)) throw new Refusal("That is not the name.", { name: "The name as it stands above." });
      const [open] = await tx
        .select({ id: visit.id })
        .from(visit)
        .innerJoin(visitOutcome, and(eq(visitOutcome.studioId, visit.studioId), eq(visitOutcome.visitId, visit.id)))
        .where(
          and(
            eq(visit.clientId, id),
            isNull(visit.withdrawnAt),
            isNotNull(visitOutcome.begunAt),
            isNull(visitOutcome.finishedAt),
            isNull(visitOutcome.stopped),
          ),
        )
        .limit(1);
      if (open) throw new Refusal("A visit of this client is not finished. Finish it first.");
      const [booked] = await stillBooked(tx, id);
      if (booked) throw new Refusal(`They are booked for ${formatIn(me.timeZone, booked.startsAt, "d MMM, HH:mm")}. Cancel that first.`);
      const { rows } = await tx.execute<{ changed: string[] | null }>(sql`select studio.erase_client(${id}) as changed`);
      const changed = rows[0]?.changed;
      if (!changed) throw new Refusal(NO_CLIENT);
      // What they came to is counted anew, as their events were touched.
      if (changed.length > 0) await writeOutcomes(tx, me.studioId, changed);
      await note(tx, me, "clientErased", { clientId: id });
    });
    return null;
  },
);
