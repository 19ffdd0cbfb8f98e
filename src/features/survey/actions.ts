"use server";
import { z } from "zod";
import { notOfThese, surveySchema } from "@/core/eye";
import { survey } from "@/db/schema";
import { knownClient } from "@/features/person/knownClient";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";

/** Keeps a survey as a new one; earlier ones stay. Sending the same id twice keeps one. */
export const saveSurvey = action(
  { input: z.strictObject({ id: z.uuid(), clientId: z.uuid(), survey: surveySchema }) },
  async (me, input) => {
    const { id } = input;
    await inStudio(me, async (tx) => {
      const known = await knownClient(tx, input.clientId);
      const other = notOfThese(input.survey, known.mannequin);
      if (other) throw new Refusal(other);
      await tx
        .insert(survey)
        .values({ studioId: me.studioId, id, clientId: known.id, document: input.survey, takenBy: me.id })
        .onConflictDoNothing();
    });
    return { id };
  },
);
