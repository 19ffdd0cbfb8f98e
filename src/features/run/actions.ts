"use server";
import { randomUUID } from "node:crypto";
import { refresh } from "next/cache";
import { z } from "zod";
import { incident } from "@/db/schema";
import { knownVisit } from "@/features/visit/life";
import { action } from "@/server/action";
import { inStudio } from "@/server/inStudio";

const words = z.string().trim().min(1, "What happened?").max(6000, "6000 characters at most.");

/** What was written of an incident, or that somebody puts the writing off, in their name. Never changed; more may be added. */
export const writeIncident = action(
  { input: z.strictObject({ visitId: z.uuid(), words: words, putOff: z.boolean().default(false) }) },
  async (me, form) => {
    await inStudio(me, async (tx) => {
      await knownVisit(tx, form.visitId);
      await tx.insert(incident).values({ studioId: me.studioId, id: randomUUID(), ...form, writtenBy: me.id });
    });
    refresh();
    return null;
  },
);
