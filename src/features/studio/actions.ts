"use server";
import { createHash, randomBytes, randomUUID } from "node:crypto";
import { and, eq, gt, isNull, ne, sql } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { chair, policy, room, sensor, visit } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { note } from "@/server/audit";
import { inStudio, type StudioTransaction } from "@/server/inStudio";
import { placeName, policyChange, sensorForm } from "./schema";

export const savePolicy = action({ input: policyChange, least: "owner" }, async (me, input) => {
  const rows = await inStudio(me, (tx) =>
    tx
      .update(policy)
      .set({ document: input.policy, revision: input.base + 1, updatedAt: new Date(), updatedBy: me.id })
      .where(and(eq(policy.studioId, me.studioId), eq(policy.revision, input.base)))
      .returning({ revision: policy.revision }),
  );
  if (!rows[0])
    throw new Refusal("The policy was changed elsewhere since this page was opened. Yours is still here; reload to see theirs.");
  refresh();
  return { revision: rows[0].revision };
});

const newToken = () => `ivy_${randomBytes(24).toString("base64url")}`;
const hashOf = (token: string) => createHash("sha256").update(token).digest("hex");

/** A hygrometer and its token, shown this once: only its hash is kept. */
export const addSensor = action(
  {
    input: sensorForm,
    least: "owner",
  },
  async (me, form) => {
    const id = randomUUID();
    const token = newToken();
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ id: room.id }).from(room).where(eq(room.id, form.roomId));
      if (!known) throw new Refusal("This room is not in the studio.");
      await tx.insert(sensor).values({ studioId: me.studioId, id, ...form });
      await tx.execute(sql`select studio.give_token(${id}, ${hashOf(token)})`);
      await note(tx, me, "tokenGiven", { detail: id });
    });
    refresh();
    return { token };
  },
);

/** A new token for a hygrometer; the old one ends at once. */
export const renewToken = action({ input: z.strictObject({ id: z.uuid() }), least: "owner" }, async (me, { id }) => {
  const token = newToken();
  await inStudio(me, async (tx) => {
    const { rows } = await tx.execute<{ done: boolean }>(sql`select studio.give_token(${id}, ${hashOf(token)}) as done`);
    if (!rows[0]?.done) throw new Refusal("This hygrometer is not in the studio.");
    await note(tx, me, "tokenGiven", { detail: id });
  });
  return { token };
});

/** Refuses to close what is still booked: those visits are moved first. */
async function refuseBooked(tx: StudioTransaction, where: { readonly roomId?: string; readonly chairId?: string }): Promise<void> {
  const booked = await tx.$count(
    visit,
    and(
      where.roomId ? eq(visit.roomId, where.roomId) : undefined,
      where.chairId ? eq(visit.chairId, where.chairId) : undefined,
      gt(visit.endsAt, new Date()),
      isNull(visit.cancelledAt),
      isNull(visit.withdrawnAt),
      eq(visit.keepsTime, true),
    ),
  );
  if (booked > 0)
    throw new Refusal(`${booked} ${booked === 1 ? "visit is" : "visits are"} booked there. Move ${booked === 1 ? "it" : "them"} first.`);
}

/** A new room, with its first chair. */
export const addRoom = action({ input: z.strictObject({ id: z.uuid(), name: placeName }), least: "owner" }, async (me, { id, name }) => {
  await inStudio(me, async (tx) => {
    const common = { studioId: me.studioId };
    const [made] = await tx
      .insert(room)
      .values({ ...common, id, name, volumeM3: 30 })
      .onConflictDoNothing()
      .returning({ id: room.id });
    if (made) await tx.insert(chair).values({ ...common, id: randomUUID(), roomId: id, name: "Chair 1" });
  });
  refresh();
  return { id };
});

export const changeRoomName = action(
  { input: z.strictObject({ id: z.uuid(), was: z.string(), name: placeName }), least: "owner" },
  async (me, { id, was, name }) => {
    const rows = await inStudio(me, (tx) =>
      tx
        .update(room)
        .set({ name, revision: sql`${room.revision} + 1` })
        .where(and(eq(room.id, id), eq(room.name, was)))
        .returning({ id: room.id }),
    );
    if (!rows[0]) throw new Refusal("This room was renamed elsewhere, or is not in the studio (any more).");
    refresh();
    return null;
  },
);

/** Closes a room to new bookings, or opens it again. Its history stays. */
export const closeRoom = action(
  { input: z.strictObject({ id: z.uuid(), closed: z.boolean() }), least: "owner" },
  async (me, { id, closed }) => {
    await inStudio(me, async (tx) => {
      if (closed) {
        await refuseBooked(tx, { roomId: id });
        const others = await tx.$count(room, and(isNull(room.closedAt), ne(room.id, id)));
        if (others === 0) throw new Refusal("It is the only room in use. Add another first.");
      }
      const rows = await tx
        .update(room)
        .set({ closedAt: closed ? new Date() : null, revision: sql`${room.revision} + 1` })
        .where(eq(room.id, id))
        .returning({ id: room.id });
      if (!rows[0]) throw new Refusal("This room is not in the studio.");
    });
    refresh();
    return null;
  },
);

/** Whether another chair in use of the room bears a name. */
async function refuseTwin(tx: StudioTransaction, roomId: string, name: string, exceptId: string): Promise<void> {
  const [twin] = await tx
    .select({ id: chair.id })
    .from(chair)
    .where(and(eq(chair.roomId, roomId), eq(chair.name, name), isNull(chair.closedAt), ne(chair.id, exceptId)));
  if (twin) throw new Refusal("Another chair of this room is called so.", { name: "Another name." });
}

export const addChair = action(
  { input: z.strictObject({ id: z.uuid(), roomId: z.uuid(), name: placeName }), least: "owner" },
  async (me, form) => {
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ id: room.id }).from(room).where(eq(room.id, form.roomId));
      if (!known) throw new Refusal("This room is not in the studio.");
      await refuseTwin(tx, form.roomId, form.name, form.id);
      await tx
        .insert(chair)
        .values({ studioId: me.studioId, ...form })
        .onConflictDoNothing();
    });
    refresh();
    return { id: form.id };
  },
);

/** Renames a chair, closes it to new bookings, or opens it again. */
export const changeChair = action(
  { input: z.strictObject({ id: z.uuid(), was: z.string(), name: placeName, closed: z.boolean() }), least: "owner" },
  async (me, { id, was, name, closed }) => {
    await inStudio(me, async (tx) => {
      const [known] = await tx.select().from(chair).where(eq(chair.id, id));
      if (!known) throw new Refusal("This chair is not in the studio.");
      if (closed && known.closedAt === null) await refuseBooked(tx, { chairId: id });
      if (!closed) await refuseTwin(tx, known.roomId, name, id);
      const kept = await tx
        .update(chair)
        .set({ name, closedAt: closed ? (known.closedAt ?? new Date()) : null })
        .where(and(eq(chair.id, id), eq(chair.name, was)))
        .returning({ id: chair.id });
      if (!kept[0]) throw new Refusal("This chair was renamed elsewhere in the meantime. Nothing of it was changed here.");
    });
    refresh();
    return null;
  },
);
