"use server";
import { z } from "zod";
import { hazardOfClient } from "@/features/visit/clientHazard";
import { knownClient } from "@/features/visit/life";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { studioPolicy } from "@/server/studioPolicy";

/** Bonds a client loses a day, and by what that is known. */
export const howTheyLast = action({ input: z.strictObject({ clientId: z.uuid() }) }, (me, { clientId }) =>
  inStudio(me, async (tx) => {
    const { mannequin } = await knownClient(tx, clientId);
    if (mannequin) throw new Refusal("Nothing grows or is shed on a practice head.");
    return hazardOfClient(tx, me, clientId, await studioPolicy(tx));
  }),
);
