"use server";
import { z } from "zod";
import { SERVICE_IDS } from "@/core/service";
import { action } from "@/server/action";
import { inStudio, together } from "@/server/inStudio";
import { careFacts } from "@/features/visit/careFacts";
import { hazardOfClient } from "@/features/visit/clientHazard";
import { comeBackTo } from "@/features/visit/comeBack";
import { knownClient } from "@/features/person/knownClient";
import { studioPolicy } from "@/server/studioPolicy";
import { proposedMinutes } from "./data";

/** How long a visit is likely to take, and from what that is known. */
export const proposeMinutes = action(
  {
    input: z.strictObject({
      service: z.enum(SERVICE_IDS),
      clientId: z.uuid().nullable(),
      technicianId: z.uuid(),
    }),
  },
  (me, wanted) => inStudio(me, (tx) => proposedMinutes(tx, wanted)),
);

/** The day on which a client is best asked back to what they wear, and why; null where they wear nothing. */
export const proposeDay = action({ input: z.strictObject({ clientId: z.uuid(), technicianId: z.uuid() }) }, (me, wanted) =>
  inStudio(me, async (tx) => {
    const { id: clientId } = await knownClient(tx, wanted.clientId);
    const [now, policy] = [new Date(), await studioPolicy(tx)];
    const [facts, known] = await together([
      careFacts(tx, me.timeZone, now, { clientId, at: now }),
      hazardOfClient(tx, me, clientId, policy),
    ]);
    return comeBackTo(tx, me, { ...wanted, clientId, facts, known }, policy, now);
  }),
);
