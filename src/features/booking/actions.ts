"use server";
import { z } from "zod";
import { SERVICE_IDS } from "@/core/service";
import { action } from "@/server/action";
import { inStudio } from "@/server/inStudio";
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
