"use server";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { client } from "@/db/schema";
import { clientHazard } from "@/features/visit/clientHazard";
import { lastedSets } from "@/features/visit/lastedSets";
import { knownClient } from "@/features/visit/life";
import { action, Refusal } from "@/server/action";
import { inStudio } from "@/server/inStudio";
import { studioPolicy } from "@/server/studioPolicy";

/** Bonds a client loses a day, and by what that is known. */
export const howTheyLast = action({ input: z.strictObject({ clientId: z.uuid() }) }, (me, { clientId }) =>
  inStudio(me, async (tx) => {
    await knownClient(tx, clientId);
    const [person] = await tx.select({ mannequin: client.mannequin }).from(client).where(eq(client.id, clientId));
    if (person!.mannequin) throw new Refusal("Nothing grows or is shed on a practice head.");
    const policy = await studioPolicy(tx);
    const own = await lastedSets(tx, me, [clientId], policy);
    return clientHazard(
      tx,
      me,
      own.map(({ facts }) => facts),
      policy,
    );
  }),
);
