"use server";
import { refresh } from "next/cache";
import { z } from "zod";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { momentIn } from "@/server/studioTime";
import { correctVisit } from "./correctVisit";

const why = z.string().trim().min(3, "Say why, in a few words.").max(500, "500 characters at most.");
const time = { day: z.iso.date("Give the day."), time: z.iso.time({ precision: -1, error: "Give the hour, as 14:30." }), why };
const wish = z.discriminatedUnion("what", [
  z.strictObject({ what: z.literal("bottle"), bottleId: z.uuid("Choose a bottle."), instead: z.uuid().nullable(), why }),
  z.strictObject({ what: z.literal("begun"), ...time }),
  z.strictObject({ what: z.literal("finished"), ...time }),
  z.strictObject({ what: z.literal("map"), map: z.strictObject({ mapId: z.uuid(), revision: z.int().min(1) }).nullable(), why }),
  z.strictObject({ what: z.literal("client"), clientId: z.uuid("Choose a client."), why }),
]);

/** Puts a kept visit right. Sending the same id twice corrects once. */
export const correct = action(
  { input: z.strictObject({ visitId: z.uuid(), eventId: z.uuid(), wish }), least: "technician" },
  async (me, { visitId, eventId, wish: asked }) => {
    const now = new Date();
    const at = "day" in asked ? momentIn(me.timeZone, asked.day, asked.time) : null;
    if ("day" in asked && !at) throw new Refusal("There is no such hour on that day.", { time: "The clocks change then." });
    const whole = "day" in asked ? { what: asked.what, why: asked.why, at: at! } : asked;
    await inStudio(me, (tx) => correctVisit(tx, me, now, { visitId, eventId, wish: whole }));
    refresh();
    return null;
  },
);
