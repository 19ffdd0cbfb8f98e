"use server";
import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { airSchema } from "@/core/air";
import { TECHNIQUES } from "@/core/lash";
import { traySchema } from "@/core/map";
import { adhesive, handTime, setTest, tray } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { isBottle } from "./bottles";
import { adhesiveForm } from "./schema";

export const addAdhesive = action({ input: adhesiveForm, least: "technician" }, async (me, document) => {
  await inStudio(me, (tx) => tx.insert(adhesive).values({ studioId: me.studioId, id: randomUUID(), document }));
  refresh();
  return null;
});

export const addTray = action({ input: traySchema }, async (me, document) => {
  await inStudio(me, (tx) => tx.insert(tray).values({ studioId: me.studioId, id: randomUUID(), document }));
  refresh();
  return null;
});

/** A length ran out, or is in again. */
export const setLengthInTray = action(
  { input: z.strictObject({ id: z.uuid(), lengthMm: z.int().min(5).max(25), stocked: z.boolean() }) },
  async (me, { id, lengthMm, stocked }) => {
    await inStudio(me, async (tx) => {
      const [row] = await tx.select().from(tray).where(eq(tray.id, id)).for("update");
      if (!row) throw new Refusal("This tray is not on the shelf.");
      const others = row.document.lengthsMm.filter((mm) => mm !== lengthMm);
      await tx
        .update(tray)
        .set({ document: { ...row.document, lengthsMm: (stocked ? [...others, lengthMm] : others).sort((a, b) => a - b) } })
        .where(eq(tray.id, id));
    });
    refresh();
    return null;
  },
);

export const removeTray = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, async (me, { id }) => {
  const rows = await inStudio(me, (tx) => tx.delete(tray).where(eq(tray.id, id)).returning({ document: tray.document }));
  if (!rows[0]) throw new Refusal("This tray is not on the shelf.");
  refresh();
  return rows[0].document;
});

const seconds = z.number().min(0.1, "Under a tenth of a second nothing sets.").max(60, "Over a minute: was it forgotten?");

/** A timed bead or lash. Its id is made where it was timed, so that sending twice keeps it once. */
export const keepSetTest = action(
  { input: z.strictObject({ id: z.uuid(), bottleId: z.uuid(), seconds, air: airSchema, leftOut: z.boolean() }) },
  async (me, { id, bottleId, seconds: timed, air, leftOut }) => {
    await inStudio(me, async (tx) => {
      if (!(await isBottle(tx, bottleId))) throw new Refusal("This bottle is not on the shelf.");
      await tx
        .insert(setTest)
        .values({ studioId: me.studioId, id, bottleId, at: new Date(), seconds: timed, ...air, memberId: me.id, leftOut })
        .onConflictDoNothing();
    });
    refresh();
    return null;
  },
);

/** Whether a test is learned from. It stays on record either way. */
export const leaveTestOut = action({ input: z.strictObject({ id: z.uuid(), leftOut: z.boolean() }) }, async (me, { id, leftOut }) => {
  const rows = await inStudio(me, (tx) => tx.update(setTest).set({ leftOut }).where(eq(setTest.id, id)).returning({ id: setTest.id }));
  if (rows.length === 0) throw new Refusal("This test is not on record.");
  refresh();
  return null;
});

/** How long this hand takes from the dip until an extension sits. */
export const keepHandTime = action(
  { input: z.strictObject({ id: z.uuid(), technique: z.enum(TECHNIQUES), seconds }) },
  async (me, form) => {
    await inStudio(me, (tx) =>
      tx
        .insert(handTime)
        .values({ studioId: me.studioId, memberId: me.id, at: new Date(), ...form })
        .onConflictDoNothing(),
    );
    refresh();
    return null;
  },
);
