import { z } from "zod";
import { SIDES } from "../../../eye/sides";
import { AID_IDS, ATTACHMENT_IDS, DIP_IDS, PRIMER_IDS } from "../../../placing/choices";

export const workedWithPayload = () =>
  z.discriminatedUnion("of", [
    z.strictObject({ of: z.literal("primer"), is: z.enum(PRIMER_IDS), batchId: z.uuid().nullable() }),
    z.strictObject({ of: z.literal("dip"), is: z.enum(DIP_IDS) }),
    z.strictObject({ of: z.enum(AID_IDS), is: z.boolean() }),
    z.strictObject({ of: z.literal("attachedAll"), is: z.enum(ATTACHMENT_IDS) }),
    z.strictObject({
      of: z.literal("attached"),
      is: z.enum(ATTACHMENT_IDS),
      side: z.enum(SIDES),
      layer: z.int().min(0).max(9),
      zone: z.int().min(1).max(40),
    }),
  ]);
