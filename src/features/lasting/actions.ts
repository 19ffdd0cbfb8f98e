"use server";
import { z } from "zod";
import { hazardOfClient } from "@/features/visit/clientHazard";
import { knownClient } from "@/features/person/knownClient";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { studioPolicy } from "@/server/studioPolicy";

/** Bonds a client loses a day, and by what that is known. */
export const howTheyLast = action({ input: z.strictObject({ clientId: z.uuid() }) }, (me, { clientId }) =>
  inStudio(me, async (tx) => {
    const { id, mannequin } = await knownClient(tx, clientId);
    if (mannequin) throw new Refusal("Nothing grows or is shed on a practice head.");
    return hazardOfClient(tx, me, id, await studioPolicy(tx));
  }),
);
