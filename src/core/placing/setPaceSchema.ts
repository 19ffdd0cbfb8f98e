import { z } from "zod";
import type { DocumentKind } from "../document";
import { SIDES } from "../eye/sides";

/** What the lashes of one finished set took, by eye and technique: mean and variance of the seconds from lash to lash. */
export const setPaceSchema = z.object({
  version: z.literal(1),
  groups: z.array(
    z.object({
      side: z.enum(SIDES),
      isFan: z.boolean(),
      lashes: z.int().min(1),
      seconds: z.number().min(0),
      variance: z.number().min(0),
    }),
  ),
});
export type SetPace = z.infer<typeof setPaceSchema>;
export const setPaceDocument: DocumentKind<SetPace> = { name: "pace of a set", version: 1, schema: setPaceSchema };
