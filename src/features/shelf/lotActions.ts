"use server";
import { eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { adhesive, lot, product } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { todayIn } from "@/server/studioTime";
import { emptiedForm, lotForm } from "./schema";

/** A bottle or a pack just opened, of an adhesive or of a product. Sending the same id twice opens one. */
export const openLot = action({ input: lotForm }, async (me, { id, productId, lot: number, openedOn, expiresOn }) => {
  if (openedOn > todayIn(me.timeZone, new Date()))
    throw new Refusal("It cannot have been opened tomorrow.", { openedOn: "Not in the future." });
  await inStudio(me, async (tx) => {
    const isAdhesive = (await tx.$count(adhesive, eq(adhesive.id, productId))) > 0;
    if (!isAdhesive && (await tx.$count(product, eq(product.id, productId))) === 0)
      throw new Refusal("This product is not on the shelf.", { productId: "Choose another." });
    await tx
      .insert(lot)
      .values({
        studioId: me.studioId,
        id,
        adhesiveId: isAdhesive ? productId : null,
        productId: isAdhesive ? null : productId,
        number,
        openedOn,
        expiresOn,
      })
      .onConflictDoNothing();
  });
  refresh();
  return { id };
});

/** It is empty, or not empty after all. */
export const emptyLot = action({ input: emptiedForm }, async (me, { id, emptied }) => {
  const emptiedOn = emptied ? todayIn(me.timeZone, new Date()) : null;
  const [row] = await inStudio(me, (tx) => tx.update(lot).set({ emptiedOn }).where(eq(lot.id, id)).returning({ id: lot.id }));
  if (!row) throw new Refusal("This lot is not on the shelf.");
  refresh();
  return null;
});
