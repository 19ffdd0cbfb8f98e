"use server";
import { refresh } from "next/cache";
import { z } from "zod";
import { incident } from "@/db/schema";
import { knownVisit } from "@/features/visit/life";
import { action } from "@/server/action";
import { inStudio } from "@/server/inStudio";

const words = z.string().trim().min(1, "What happened?").max(6000, "6000 characters at most.");

/** What was written of an incident, or that somebody puts the writing off, in their name. Never changed; more may be added. Sending the same id twice writes it once. */
export const writeIncident = action(
  { input: z.strictObject({ id: z.uuid(), visitId: z.uuid(), words, putOff: z.boolean().default(false) }) },
  async (me, form) => {
    await inStudio(me, async (tx) => {
      await knownVisit(tx, form.visitId);
      await tx
        .insert(incident)
        .values({ studioId: me.studioId, ...form, writtenBy: me.id })
        .onConflictDoNothing();
    });
    refresh();
    return null;
  },
);
