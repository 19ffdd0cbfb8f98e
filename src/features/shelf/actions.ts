"use server";
import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { adhesiveSchema } from "@/core/adhesive";
import { traySchema } from "@/core/map";
import { adhesive, bottle, tray } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { todayIn } from "@/server/studioTime";

const number = (what: string) =>
  z
    .string()
    .trim()
    .max(20)
    .regex(/^\d+([.,]\d+)?$/, what)
    .transform((text) => Number(text.replace(",", ".")));
const percent = z
  .string()
  .trim()
  .regex(/^\d+([.,]\d+)?$/, "A number of per cent.")
  .transform((text) => Number(text.replace(",", ".")) / 100);

/** An adhesive as typed from its leaflet: per cent, degrees, seconds as text. */
const adhesiveFormSchema = z
  .strictObject({
    name: z.string(),
    setTimeS: number("Seconds, e.g. 1.5."),
    humidityLow: percent,
    humidityHigh: percent,
    temperatureLowC: number("Degrees, e.g. 18."),
    temperatureHighC: number("Degrees, e.g. 26."),
    lifeAfterOpeningDays: number("Days, e.g. 42."),
  })
  .pipe(adhesiveSchema);

export const addAdhesive = action({ input: adhesiveFormSchema, least: "technician" }, async (me, document) => {
  await inStudio(me, (tx) => tx.insert(adhesive).values({ studioId: me.studioId, id: randomUUID(), document }));
  refresh();
  return null;
});

export const openBottle = action(
  {
    input: z.strictObject({
      adhesiveId: z.uuid("Choose an adhesive."),
      lot: z.string().trim().min(1, "The lot stands on the bottle; without it nothing can be traced.").max(60, "60 characters at most."),
      openedOn: z.iso.date("Give the day it was opened."),
    }),
  },
  async (me, form) => {
    if (form.openedOn > todayIn(me.timeZone, new Date()))
      throw new Refusal("A bottle cannot have been opened tomorrow.", { openedOn: "Not in the future." });
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ id: adhesive.id }).from(adhesive).where(eq(adhesive.id, form.adhesiveId));
      if (!known) throw new Refusal("This adhesive is not on the shelf.");
      await tx.insert(bottle).values({ studioId: me.studioId, id: randomUUID(), ...form });
    });
    refresh();
    return null;
  },
);

export const emptyBottle = action({ input: z.strictObject({ id: z.uuid(), emptied: z.boolean() }) }, async (me, { id, emptied }) => {
  const rows = await inStudio(me, (tx) =>
    tx
      .update(bottle)
      .set({ emptiedOn: emptied ? todayIn(me.timeZone, new Date()) : null })
      .where(eq(bottle.id, id))
      .returning({ id: bottle.id }),
  );
  if (rows.length === 0) throw new Refusal("This bottle is not on the shelf.");
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
