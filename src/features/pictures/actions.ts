"use server";
import { eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { pictureMarksSchema, upgradeMarks } from "@/core/measure";
import { picture } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { knownClient } from "@/features/person/knownClient";
import { inStudio } from "@/server/inStudio";
import { formatIn } from "@/server/studioTime";
import { PICTURE_DAY, picturesOf } from "./data";

/** A page that was opened before the app was renewed sends what was marked as it knew it: nothing of that is lost. */
const marksForm = z.strictObject({ id: z.uuid(), marks: z.preprocess(upgradeMarks, pictureMarksSchema) });

/** Keeps what was marked on a picture. */
export const saveMarks = action({ input: marksForm }, (me, { id, marks }) =>
  inStudio(me, async (tx) => {
    const rows = await tx.update(picture).set({ marks }).where(eq(picture.id, id)).returning({ id: picture.id });
    if (!rows[0]) throw new Refusal("This picture is not in the studio (any more).");
    return null;
  }),
);

/** A client's pictures of an eye closed, newest first, to count what is left of a set on; and what day it is. */
export const closedPictures = action({ input: z.strictObject({ clientId: z.uuid() }) }, (me, { clientId }) =>
  inStudio(me, async (tx) => {
    const { id } = await knownClient(tx, clientId);
    const pictures = (await picturesOf(tx, me, id)).filter(({ kind }) => kind === "closed");
    return { pictures, today: formatIn(me.timeZone, new Date(), PICTURE_DAY) };
  }),
);

/** Takes a picture away for good. */
export const removePicture = action({ input: z.strictObject({ id: z.uuid() }), least: "technician" }, async (me, { id }) => {
  const gone = await inStudio(me, (tx) => tx.delete(picture).where(eq(picture.id, id)).returning({ id: picture.id }));
  if (!gone[0]) throw new Refusal("This picture is not in the studio (any more).");
  refresh();
  return null;
});
