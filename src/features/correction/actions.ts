"use server";
import { refresh } from "next/cache";
import { z } from "zod";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { momentIn } from "@/server/studioTime";
import { correctVisit } from "./correctVisit";
import { choicesFor } from "./data";
import { correctionForm } from "./schema";

/** What a finished visit may be corrected by: asked when somebody wants to, as it stands then. */
export const correctionChoices = action({ input: z.strictObject({ visitId: z.uuid() }), least: "technician" }, async (me, { visitId }) => {
  const choices = await choicesFor(me, visitId);
  if (!choices) throw new Refusal("Only a finished visit is corrected.");
  return choices;
});

/** Puts a kept visit right. Sending the same id twice corrects once. */
export const correct = action({ input: correctionForm, least: "technician" }, async (me, { visitId, eventId, wish: asked }) => {
  const now = new Date();
  const at = "day" in asked ? momentIn(me.timeZone, asked.day, asked.time) : null;
  if ("day" in asked && !at) throw new Refusal("There is no such hour on that day.", { time: "The clocks change then." });
  const whole = "day" in asked ? { what: asked.what, why: asked.why, at: at! } : asked;
  await inStudio(me, (tx) => correctVisit(tx, me, now, { visitId, eventId, wish: whole }));
  refresh();
  return null;
});
