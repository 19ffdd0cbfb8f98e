"use server";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { notOfThese, surveySchema } from "@/core/eye";
import { client, survey } from "@/db/schema";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";

/** Keeps a survey as a new one; earlier ones stay. Sending the same id twice keeps one. */
export const saveSurvey = action(
  { input: z.strictObject({ id: z.uuid(), clientId: z.uuid(), survey: surveySchema }) },
  async (me, input) => {
    const { id } = input;
    await inStudio(me, async (tx) => {
      const [known] = await tx.select({ mannequin: client.mannequin }).from(client).where(eq(client.id, input.clientId));
      if (!known) throw new Refusal("This client is not in the studio (any more).");
      const other = notOfThese(input.survey, known.mannequin);
      if (other) throw new Refusal(other);
      await tx
        .insert(survey)
        .values({ studioId: me.studioId, id, clientId: input.clientId, document: input.survey, takenBy: me.id })
        .onConflictDoNothing();
    });
    return { id };
  },
);
