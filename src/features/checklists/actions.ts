"use server";
import { and, desc, eq } from "drizzle-orm";
import { refresh } from "next/cache";
import { z } from "zod";
import { checklistSchema } from "@/core/checklist/schema";
import { checklist } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { saveNumber } from "@/server/typed";

/** Keeps the studio's own steps of a service. Visits that have begun keep theirs. */
export const keepChecklist = action(
  { input: z.strictObject({ base: saveNumber(0), document: checklistSchema }), least: "technician" },
  async (me, { base, document }) => {
    const revision = base + 1;
    await inStudio(me, async (tx) => {
      const { service } = document;
      const [newest] = await tx
        .select({ revision: checklist.revision })
        .from(checklist)
        .where(and(eq(checklist.service, service)))
        .orderBy(desc(checklist.revision))
        .limit(1);
      const [kept] =
        (newest?.revision ?? 0) === base
          ? await tx
              .insert(checklist)
              .values({ studioId: me.studioId, service, revision, document, savedBy: me.id })
              .onConflictDoNothing()
              .returning({ revision: checklist.revision })
          : [];
      if (!kept) throw new Refusal("These steps were changed elsewhere since you opened them. Yours are still here; reload to see theirs.");
    });
    refresh();
    return { revision };
  },
);
