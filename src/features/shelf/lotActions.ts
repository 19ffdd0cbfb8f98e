"use server";
import { refresh } from "next/cache";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { todayIn } from "@/server/studioTime";
import { LOTS } from "./lots";
import { emptiedForm, lotForm } from "./schema";

/** A bottle or a pack just opened. Sending the same id twice opens one. */
export const openLot = action({ input: lotForm }, async (me, { kind, ...lot }) => {
  const { isKnown, open, word } = LOTS[kind];
  if (lot.openedOn > todayIn(me.timeZone, new Date()))
    throw new Refusal(`A ${word} cannot have been opened tomorrow.`, { openedOn: "Not in the future." });
  await inStudio(me, async (tx) => {
    if (!(await isKnown(tx, lot.productId))) throw new Refusal("This product is not on the shelf.", { productId: "Choose another." });
    await open(tx, { studioId: me.studioId, ...lot });
  });
  refresh();
  return { id: lot.id };
});

/** It is empty, or not empty after all. */
export const emptyLot = action({ input: emptiedForm }, async (me, { kind, id, emptied }) => {
  const { empty, word } = LOTS[kind];
  const done = await inStudio(me, (tx) => empty(tx, id, emptied ? todayIn(me.timeZone, new Date()) : null));
  if (!done) throw new Refusal(`This ${word} is not on the shelf.`);
  refresh();
  return null;
});
